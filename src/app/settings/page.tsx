import type { Metadata } from 'next';
import { SettingsScreen } from '@/ui/settings/SettingsScreen';

export const metadata: Metadata = { title: 'Settings' };

export default function Page() {
  return <SettingsScreen />;
}
