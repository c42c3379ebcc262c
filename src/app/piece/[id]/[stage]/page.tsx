import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { STAGES } from '@/ui/frame/stages';
import { StageScreen } from '@/ui/frame/StageScreen';

export async function generateMetadata({ params }: { params: Promise<{ stage: string }> }): Promise<Metadata> {
  const { stage } = await params;
  return { title: STAGES.find((s) => s.path === stage)?.name ?? 'Desk' };
}

export default async function Page({ params }: { params: Promise<{ stage: string }> }) {
  const { stage } = await params;
  const known = STAGES.find((s) => s.path === stage);
  if (!known) notFound();
  return <StageScreen stage={known.path} />;
}
