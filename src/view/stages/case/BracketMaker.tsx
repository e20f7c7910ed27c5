'use client';
import dynamic from 'next/dynamic';
import { memo, useState } from 'react';
import { Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import { later } from '@/view/shared/later';
import styles from './BracketMaker.module.css';

// Loaded when a bracket is first made.
const BracketPlate = dynamic(() =>
  later(() => import('./BracketPlate').then((m) => m.BracketPlate)),
);

/**
 * A plate between a place's holes and a part's foot: drawn as asked, to print at full size or cut.
 */
export const BracketMaker = memo(function BracketMaker() {
  const picked = useEditor((s) => s.picked);
  const [open, setOpen] = useState(false);
  return (
    <Section
      title={msg`Bracket maker`}
      aside={
        <Press className={styles.link} aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? msg`Dismiss` : msg`Make a bracket`}
        </Press>
      }
    >
      {open && <BracketPlate key={picked ?? ''} />}
    </Section>
  );
});
