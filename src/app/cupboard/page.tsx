import type { Metadata } from 'next';
import { CupboardScreen } from '@/ui/cupboard/CupboardScreen';

export const metadata: Metadata = { title: 'Cupboard' };

export default function Page() {
  return <CupboardScreen />;
}
