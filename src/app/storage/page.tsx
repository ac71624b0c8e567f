import type { Metadata } from 'next';
import { StorageScreen } from '@/screens/storage/StorageScreen';

export const metadata: Metadata = { title: 'Storage and backup' };

export default function StoragePage() {
  return <StorageScreen />;
}
