'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { msg } from '@/core/messages';
import { Press } from './Press';
import { isValidElement, useState, type ReactNode } from 'react';
import Popover from '@mui/material/Popover';
import styles from './Why.module.css';

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
  return (
    <>
      <Press
        className={styles.ask}
        aria-label={msg`${reason.title}: ${textOf(children)}, why?`}
        onClick={(e) => setAnchor(e.currentTarget)}
      >
        {children}
      </Press>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => setAnchor(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{ paper: { elevation: 0, className: styles.card as string } }}
      >
        <h2>{reason.title}</h2>
        <p>{reason.formula}</p>
        <Table>
          <TableBody>
            {reason.inputs.map((i) => (
              <TableRow key={i.name}>
                <TableCell component="th" scope="row">
                  {i.name}
                </TableCell>
                <TableCell className="num">{i.value}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
        <p className="soft">{msg`Source: ${reason.source}`}</p>
      </Popover>
    </>
  );
}
