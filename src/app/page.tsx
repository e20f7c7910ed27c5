import { listedBuilds, pageAsked, readForPage } from '@/server';
import { Builds } from '@/view/builds';
import { TroublePage } from '@/view/shared';
import { msg } from '@/core/messages';

export const dynamic = 'force-dynamic';

interface Props {
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}

export default async function BuildsPage({ searchParams }: Props) {
  const asked = Object.entries(await searchParams).flatMap(([key, value]) =>
    typeof value === 'string' ? [[key, value]] : [],
  );
  const read = await readForPage(() => listedBuilds(pageAsked(new URLSearchParams(asked))));
  return read.ok ? (
    <Builds list={read.value} />
  ) : (
    <TroublePage title={msg`The builds cannot be read`} onward={false}>
      <p>{read.words}</p>
      <p className="soft">{msg`What you typed into a build is kept in the browser it was typed
        in.`}</p>
    </TroublePage>
  );
}
