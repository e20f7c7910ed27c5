import type { Metadata } from 'next';
import { provenRows } from '@/server';
import { ProofTable } from '@/view/proof';
import { msg, worded } from '@/core/messages';

export const metadata: Metadata = worded(() => ({ title: msg`Validation` }));
export const dynamic = 'force-dynamic';

export default async function Validation() {
  return <ProofTable rows={await provenRows()} />;
}
