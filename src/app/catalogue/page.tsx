import type { Metadata } from 'next';
import { CataloguePage } from '@/view/catalogue';
import { msg, worded } from '@/core/messages';

export const metadata: Metadata = worded(() => ({ title: msg`Catalogue` }));

export default function Catalogue() {
  return <CataloguePage />;
}
