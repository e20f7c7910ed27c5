import type { Metadata } from 'next';
import { Enter } from '@/view/enter/Enter';

export const metadata: Metadata = { title: 'Enter' };

export default function EnterPage() {
  return <Enter />;
}
