import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { openBuild, openWorkedOut, readForPage, whyNotOpen } from '@/server';
import { BinnedBuild } from '@/view/builds';
import { TroublePage } from '@/view/shared';
import { StageView } from '@/view/stages';
import { EditorProvider, Workspace } from '@/view/workspace';
import { msg } from '@/core/messages';

interface Props {
  readonly children: ReactNode;
  readonly params: Promise<{ id: string }>;
}

export const dynamic = 'force-dynamic';

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { id } = await params;
  const read = await readForPage(() => openBuild(id));
  return { title: (read.ok ? read.value?.design.name : null) ?? msg`Build` };
}

export default async function BuildLayout({ children, params }: Props) {
  const { id } = await params;
  const isOnCurves = (await headers()).get('x-path')?.endsWith('/cooling') ?? false;
  const read = await readForPage(() => openWorkedOut(id, isOnCurves));
  if (!read.ok)
    return (
      <TroublePage title={msg`This build cannot be read now`}>
        <p>{read.words}</p>
      </TroublePage>
    );
  const opened = read.value;
  if (!opened) return <NotOpened id={id} />;
  return (
    <EditorProvider key={opened.id} build={opened}>
      {children}
      <Workspace>
        <StageView />
      </Workspace>
    </EditorProvider>
  );
}

/** Why there is no workspace: in the bin, written by another version, or never there. */
async function NotOpened({ id }: { readonly id: string }) {
  const why = await whyNotOpen(id);
  if (why.state === 'missing') notFound();
  if (why.state === 'binned') return <BinnedBuild id={id} />;
  return (
    <TroublePage title={msg`"${why.name}" cannot be opened`}>
      <p>{why.message}</p>
      <p>
        {msg`Nothing was changed.`}{' '}
        <a
          href={`/api/builds/${encodeURIComponent(id)}/file`}
        >{msg`Keep its document as a file, as it lies in the database`}</a>
      </p>
    </TroublePage>
  );
}
