import type { Metadata } from 'next';
import { roomTitle } from '@/ui/frame/rooms';

export const metadata: Metadata = { title: roomTitle('/handbook') };

export default function Page() {
  return null;
}
