'use client';
import dynamic from 'next/dynamic';
import { isValidElement, useState, type ReactNode } from 'react';
import { msg } from '@/core/messages';
import { Press } from './Press';
import { later } from './later';
import styles from './Why.module.css';

// Loaded when a number is first asked.
const WhyCard = dynamic(() => later(() => import('./WhyCard').then((m) => m.WhyCard)));

export interface Reason {
  readonly title: string;
  readonly formula: string;
  readonly inputs: readonly { readonly name: string; readonly value: string }[];
  readonly source: string;
}

/** What a reader sees of it, for whoever hears it. */
function textOf(node: ReactNode): string {
  if (typeof node === 'string' || typeof node === 'number') return String(node);
  if (Array.isArray(node)) return node.map(textOf).join('');
  if (isValidElement<{ children?: ReactNode }>(node)) return textOf(node.props.children);
  return '';
}

/** A number that can be asked why: its formula in words, what went in, and where it is from. */
export function Why({
  children,
  reason,
}: {
  readonly children: ReactNode;
  readonly reason: Reason;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [wasAsked, setAsked] = useState(false);
  return (
    <>
      <Press
        className={styles.ask}
        aria-label={msg`${reason.title}: ${textOf(children)}, why?`}
        onClick={(e) => {
          setAnchor(e.currentTarget);
          setAsked(true);
        }}
      >
        {children}
      </Press>
      {wasAsked && <WhyCard reason={reason} anchor={anchor} onClose={() => setAnchor(null)} />}
    </>
  );
}
