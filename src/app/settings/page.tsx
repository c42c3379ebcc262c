import type { Metadata } from 'next';
import { roomTitle } from '@/ui/frame/rooms';

export const metadata: Metadata = { title: roomTitle('/settings') };

export default function Page() {
  return null;
}
