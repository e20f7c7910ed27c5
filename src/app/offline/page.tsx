import type { Metadata } from 'next';
import { Offline } from '@/view/offline';

export const metadata: Metadata = { title: 'Server not reached' };

export default function OfflinePage() {
  return <Offline />;
}
