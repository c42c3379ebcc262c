import type { Metadata } from 'next';

export const metadata: Metadata = { title: 'Handbook' };

export default function Page() {
  return null;
}
