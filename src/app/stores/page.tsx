import type { Metadata } from 'next';
import { StoresPage } from '@/view/catalogue';

export const metadata: Metadata = { title: 'Stores' };

export default function Stores() {
  return <StoresPage />;
}
