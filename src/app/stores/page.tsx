import type { Metadata } from 'next';
import { StoresPage } from '@/view/stores';

export const metadata: Metadata = { title: 'Stores' };

export default function Stores() {
  return <StoresPage />;
}
