'use client';
import Close from '@mui/icons-material/Close';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { PART_KINDS } from '@/core/components';
import { Press } from '@/view/shared';
import { msg } from '@/core/messages';
import { comparedRows, MOST_COMPARED, useCompared } from './compared';
import styles from './CompareTable.module.css';

/** The parts that were chosen to be compared, figure by figure; nothing while none was. */
export function CompareTable() {
  const { parts, toggle, clear } = useCompared();
  const [first] = parts;
  if (!first) return null;
  return (
    <section className={styles.compare} aria-label={msg`Compare parts`}>
      <div className={styles.head}>
        <h2>{msg`Compare ${PART_KINDS[first.kind].several}`}</h2>
        <Press className={styles.link} onClick={clear}>
          {msg`Close the comparison`}
        </Press>
      </div>
      {parts.length === 1 && (
        <p className="soft">
          {msg`Compare another of its kind to see them beside each other, ${MOST_COMPARED} at
            most.`}
        </p>
      )}
      <TableContainer>
        <Table>
          <TableHead>
            <TableRow>
              <TableCell />
              {parts.map((p) => (
                <TableCell key={p.id} className="num">
                  {p.name}{' '}
                  <Press
                    className={styles.link}
                    aria-label={msg`Take ${p.name} out of the comparison`}
                    onClick={() => toggle(p)}
                  >
                    <Close sx={{ fontSize: 14 }} aria-hidden />
                  </Press>
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {comparedRows(parts).map((r) => (
              <TableRow key={r.name} data-different={r.isDifferent || undefined}>
                <TableCell component="th" scope="row">
                  {r.name}
                </TableCell>
                {r.values.map((v, i) => (
                  <TableCell key={parts[i]?.id} className="num">
                    {r.isDifferent ? <strong>{v}</strong> : v}
                  </TableCell>
                ))}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
    </section>
  );
}
