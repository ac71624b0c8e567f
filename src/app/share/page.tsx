import type { Metadata } from 'next';
import { ShareScreen } from '@/screens/share/ShareScreen';

export const metadata: Metadata = { title: 'Shared project' };

export default function SharePage() {
  return <ShareScreen />;
}
