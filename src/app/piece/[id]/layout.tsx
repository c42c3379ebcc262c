import type { ReactNode } from 'react';
import { DeskFrame } from '@/ui/frame/DeskFrame';

export default async function Layout({ children, params }: { children: ReactNode; params: Promise<{ id: string }> }) {
  return <DeskFrame id={(await params).id}>{children}</DeskFrame>;
}
