'use client';
import { useEffect, useRef, useState } from 'react';
import Button from '@mui/material/Button';
import type { StarterAsked } from '@/core/starter';
import { Progress, useOffer, usePartLists } from '@/view/shared';
import { useEditor, useStarter } from '@/view/workspace';
import { msg } from '@/core/messages';
import { askedFrom, takeAsked } from './firstAsked';
import { NONE, NOTHING_SAID, SourceFields, type Sources } from './SourceFields';
import styles from './HeatStage.module.css';

/** Names the parts that make heat; the rest of a first build follows from them, in one step. */
export function FirstBuild() {
  const [processor] = useOffer('processor'),
    [card] = useOffer('card');
  const box = useEditor((s) => s.design.case);
  const commit = useEditor((s) => s.commit);
  const say = useEditor((s) => s.say);
  const keep = usePartLists((s) => s.keep);
  const own = usePartLists((s) => s.partLists.own);
  const [sources, setSources] = useState<Sources>({
    ...NOTHING_SAID,
    processor: processor?.id ?? NONE,
    card: card?.id ?? NONE,
  });
  const [asked, setAsked] = useState<StarterAsked | null>(null);
  const { result, fresh, progress, stopped, stop, retry } = useStarter(asked);
  useAskedAlready(setAsked);
  useEffect(() => {
    if (!asked || !result || !fresh) return;
    if (result.edit) commit(msg`make a first build`, result.edit);
    else say(msg`No first build could be made. Add the parts from the catalogue.`);
  }, [asked, result, fresh, commit, say]);
  if (!box) return null;
  const make = async (): Promise<void> => {
    const made = await askedFrom(sources, own, keep);
    if (made === null) setAsked({ processor: null, card: null, cards: 0, tube: sources.tube });
    else if (made.ok) setAsked(made.asked);
    else say(made.why);
  };
  return (
    <section className={styles.first} aria-labelledby="first-build">
      <h2 id="first-build">{msg`Make a first build`}</h2>
      <p>
        {msg`Say what makes heat and which tube you like. Blocks, radiators with fans, pump,
          reservoir and the loop are chosen to fit ${box.name}, at the quietest setting that
          meets the requirements; everything can be changed after, and one undo takes it back.`}
      </p>
      <div className={styles.firstFields}>
        <SourceFields value={sources} onChange={setSources} />
      </div>
      <Button variant="contained" disabled={asked !== null && !stopped} onClick={() => void make()}>
        {msg`Make a first build`}
      </Button>
      {asked !== null && (
        <Progress
          share={progress}
          stopped={stopped}
          onStop={stop}
          onAgain={retry}
          what={msg`a first build`}
        />
      )}
    </section>
  );
}

/** What was named on the page of a new build is begun when the stage opens, once. */
function useAskedAlready(begin: (asked: StarterAsked) => void): void {
  const isDone = useRef(false);
  useEffect(() => {
    if (isDone.current) return;
    isDone.current = true;
    const asked = takeAsked();
    if (asked) begin(asked);
  }, [begin]);
}
