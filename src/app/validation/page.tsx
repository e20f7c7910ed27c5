import type { Metadata } from 'next';
import { provenRows } from '@/server';
import { ProofTable } from '@/view/proof';

export const metadata: Metadata = { title: 'Validation' };
export const dynamic = 'force-dynamic';

export default async function Validation() {
  return <ProofTable rows={await provenRows()} />;
}
