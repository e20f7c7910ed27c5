import type { Metadata } from 'next';
import { proofRows } from '@/proof';
import { ProofTable } from '@/view/proof';

export const metadata: Metadata = { title: 'Proof' };
export const dynamic = 'force-dynamic';

export default function Proof() {
  return <ProofTable rows={proofRows()} />;
}
