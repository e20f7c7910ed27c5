'use client';
import Popover from '@mui/material/Popover';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { msg } from '@/core/messages';
import type { Reason } from './Why';
import styles from './Why.module.css';

/** The answer of a number that was asked why, beside it. */
export function WhyCard({
  reason,
  anchor,
  onClose,
}: {
  readonly reason: Reason;
  /** The number; null once it is closed. */
  readonly anchor: HTMLElement | null;
  readonly onClose: () => void;
}) {
  return (
    <Popover
      open={anchor !== null}
      anchorEl={anchor}
      onClose={onClose}
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
  );
}
