import type { Metadata } from 'next';
import { CataloguePage } from '@/view/catalogue';

export const metadata: Metadata = { title: 'Catalogue' };

export default function Catalogue() {
  return <CataloguePage />;
}
