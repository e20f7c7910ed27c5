import { redirect } from 'next/navigation';

export default async function BuildHome({ params }: { readonly params: Promise<{ id: string }> }) {
  redirect(`/builds/${encodeURIComponent((await params).id)}/heat`);
}
