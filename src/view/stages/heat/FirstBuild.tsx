'use client';
import { useEffect, useState } from 'react';
import Button from '@mui/material/Button';
import type { StarterAsked } from '@/core/studies';
import { partFigures } from '@/view/catalogue/figures';
import { Pick, Progress, Segments, useOffer } from '@/view/shared';
import { useEditor, useStarter } from '@/view/workspace';
import styles from './HeatStage.module.css';

const NONE = 'none';

/** Names the parts that make heat; the rest of a first build follows from them, in one step. */
export function FirstBuild() {
  const processors = useOffer('processor'),
    cards = useOffer('card');
  const box = useEditor((s) => s.design.case);
  const commit = useEditor((s) => s.commit);
  const say = useEditor((s) => s.say);
  const [processor, setProcessor] = useState(processors[0]?.id ?? NONE);
  const [card, setCard] = useState(cards[0]?.id ?? NONE);
  const [count, setCount] = useState<'1' | '2'>('1');
  const [tube, setTube] = useState<StarterAsked['tube']>('soft');
  const [asked, setAsked] = useState<StarterAsked | null>(null);
  const { result, fresh, progress, stopped, stop, retry } = useStarter(asked);
  useEffect(() => {
    if (!asked || !result || !fresh) return;
    if (result.edit) commit('make a first build', result.edit);
    else say('No first build could be made. Add the parts from the catalogue.');
  }, [asked, result, fresh, commit, say]);
  if (!box) return null;
  const options = (parts: typeof processors | typeof cards) => [
    { value: NONE, label: 'none' },
    ...parts.map((p) => ({ value: p.id, label: `${p.name}, ${partFigures(p)}` })),
  ];
  const id = (value: string): string | null => (value === NONE ? null : value);
  return (
    <section className={styles.first} aria-labelledby="first-build">
      <h2 id="first-build">Make a first build</h2>
      <p>
        Say what makes heat and which tube you like. Blocks, radiators with fans, pump, reservoir
        and the loop are chosen to fit {box.name}; everything can be changed after, and one undo
        takes it back.
      </p>
      <div className={styles.firstFields}>
        <Pick
          label="Processor"
          value={processor}
          options={options(processors)}
          onPick={setProcessor}
        />
        <Pick label="Graphics card" value={card} options={options(cards)} onPick={setCard} />
        <Segments
          label="Number of graphics cards"
          value={count}
          options={[
            { value: '1', label: 'one card' },
            { value: '2', label: 'two cards' },
          ]}
          onPick={setCount}
        />
        <Segments
          label="Tube"
          value={tube}
          options={[
            { value: 'soft', label: 'soft tube' },
            { value: 'hard', label: 'hard tube' },
          ]}
          onPick={setTube}
        />
      </div>
      <Button
        variant="contained"
        disabled={asked !== null && !stopped}
        onClick={() =>
          setAsked({
            processor: id(processor),
            card: id(card),
            cards: id(card) === null ? 0 : Number(count),
            tube,
          })
        }
      >
        Make a first build
      </Button>
      {asked !== null && (
        <Progress
          share={progress}
          stopped={stopped}
          onStop={stop}
          onAgain={retry}
          what="a first build"
        />
      )}
    </section>
  );
}
