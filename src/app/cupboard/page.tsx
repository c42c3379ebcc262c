import type { Metadata } from 'next';
import { roomTitle } from '@/ui/frame/rooms';

export const metadata: Metadata = { title: roomTitle('/cupboard') };

export default function Page() {
  return null;
}
