import type { Metadata } from 'next';
import { Handbook } from '@/ui/handbook/Handbook';

export const metadata: Metadata = { title: 'Handbook' };

export default function Page() {
  return <Handbook />;
}
