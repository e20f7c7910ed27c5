import type { Metadata } from 'next';
import { CataloguePage } from '@/view/catalogue';

export const metadata: Metadata = { title: 'Stores' };

export default function Stores() {
  return <CataloguePage />;
}
