'use client';
import { useEffect, useState } from 'react';
import { PageHead, TroublePage, Press } from '@/view/shared';
import { StageView } from '@/view/stages';
import { EditorProvider, isStage, keptBuilds, keptWork, Workspace } from '@/view/workspace';
import type { WorkState } from '@/view/workspace/outbox';
import { msg } from '@/core/messages';
import { formatDate } from '@/core/units';
import styles from './Offline.module.css';

type Found =
  | { readonly kind: 'looking' }
  | { readonly kind: 'build'; readonly id: string; readonly work: WorkState }
  | { readonly kind: 'list'; readonly builds: Awaited<ReturnType<typeof keptBuilds>> };

const timeOf = (at: number): string => formatDate(at, 'recent');

/** Stands in for every page while the server is away: opens what this browser holds. */
export function Offline() {
  const [found, setFound] = useState<Found>({ kind: 'looking' });
  useEffect(() => {
    let live = true;
    void look()
      .catch((): Found => ({ kind: 'list', builds: [] }))
      .then((next) => live && setFound(next));
    return () => {
      live = false;
    };
  }, []);
  if (found.kind === 'looking')
    return (
      <TroublePage title={msg`The server is not reached`}>
        {msg`Looking for what is stored in this browser.`}
      </TroublePage>
    );
  if (found.kind === 'build') {
    const { id, work } = found;
    return (
      <EditorProvider
        build={{ id, revision: work.revision, design: work.base ?? work.design, told: null }}
      >
        <Workspace>
          <StageView />
        </Workspace>
      </EditorProvider>
    );
  }
  return <Kept builds={found.builds} />;
}

async function look(): Promise<Found> {
  const [, room, id, stage = ''] = window.location.pathname.split('/');
  if (room === 'builds' && id !== undefined) {
    const work = await keptWork(decodeURIComponent(id));
    if (work) {
      if (!isStage(stage)) window.history.replaceState(null, '', `/builds/${id}/heat`);
      return { kind: 'build', id: decodeURIComponent(id), work };
    }
  }
  return { kind: 'list', builds: await keptBuilds() };
}

function Kept({ builds }: { readonly builds: Awaited<ReturnType<typeof keptBuilds>> }) {
  return (
    <>
      <PageHead at="/" />
      <main className={styles.main}>
        <h1>{msg`The server is not reached`}</h1>
        <p>
          {builds.length > 0
            ? msg`These builds are kept in this browser. You can go on with them; what you do is
              sent when the server is back.`
            : msg`This browser keeps no build yet: one is kept once it was opened here. Start
              the server again, then reload.`}
        </p>
        <ul className={styles.list}>
          {builds.map((b) => (
            <li key={b.id}>
              {/* A plain link: the page is asked for anew, and answered from here. */}
              <a href={`/builds/${encodeURIComponent(b.id)}/heat`}>{b.name}</a>
              <span className="soft">{msg`last here ${timeOf(b.at)}`}</span>
            </li>
          ))}
        </ul>
        <p>
          <Press onClick={() => window.location.reload()}>{msg`Try the server again`}</Press>
        </p>
      </main>
    </>
  );
}
