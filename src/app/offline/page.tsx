import type { Metadata } from 'next';
import { Offline } from '@/view/offline';
import { msg, worded } from '@/core/messages';

export const metadata: Metadata = worded(() => ({ title: msg`Server not reached` }));

export default function OfflinePage() {
  return <Offline />;
}
