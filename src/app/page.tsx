import { listedBuilds } from '@/server';
import { Builds } from '@/view/builds';

export const dynamic = 'force-dynamic';

export default async function BuildsPage() {
  return <Builds entries={await listedBuilds()} />;
}
