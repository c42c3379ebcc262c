import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { STAGES } from '@/ui/frame/stages';

type Props = { params: Promise<{ stage: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { stage } = await params;
  return { title: STAGES.find((s) => s.path === stage)?.name ?? 'Desk' };
}

export default async function Page({ params }: Props) {
  const { stage } = await params;
  if (!STAGES.some((s) => s.path === stage)) notFound();
  return null;
}
