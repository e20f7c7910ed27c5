'use client';
import { useState, type ReactNode } from 'react';
import Popover from '@mui/material/Popover';
import styles from './Why.module.css';

export interface Reason {
  readonly title: string;
  readonly formula: string;
  readonly inputs: readonly { readonly name: string; readonly value: string }[];
  readonly source: string;
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
  return (
    <>
      <button
        type="button"
        className={styles.ask}
        aria-label={`Why? ${reason.title}`}
        onClick={(e) => setAnchor(e.currentTarget)}
      >
        {children}
      </button>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{ paper: { elevation: 0, className: styles.card as string } }}
      >
        <h2>{reason.title}</h2>
        <p>{reason.formula}</p>
        <table>
          <tbody>
            {reason.inputs.map((i) => (
              <tr key={i.name}>
                <th scope="row">{i.name}</th>
                <td className="num">{i.value}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="soft">Source: {reason.source}</p>
      </Popover>
    </>
  );
}
