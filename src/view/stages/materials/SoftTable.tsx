import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { WettedPolymer } from '@/core/corrosion';
import { isWet } from '@/core/components';
import { Mark, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg, worded } from '@/core/messages';
import styles from './MaterialsStage.module.css';

const WORDS = worded(
  () => ({ ok: msg`agrees`, marginal: msg`watch it`, fails: msg`attacked` }) as const,
);

/**
 * Plastics, glass and rubber that a loop's coolant touches: what carries each, and how it takes the
 * coolant.
 */
export function PolymerTable({
  loop,
  polymers,
  coolant,
}: {
  readonly loop: string;
  readonly polymers: readonly WettedPolymer[];
  readonly coolant: string;
}) {
  const loops = useEditor((s) => s.design.loops);
  const components = useEditor((s) => s.design.components);
  const picked = useEditor((s) => s.picked);
  const pick = useEditor((s) => s.pick);
  const inLoop = new Set(
    loops
      .filter((l) => l.id === loop)
      .flatMap((l) => l.connections.flatMap((k) => [k.from.component, k.to.component])),
  );
  const silent = components.filter(
    (i) => inLoop.has(i.id) && isWet(i.part) && i.part.polymers === undefined,
  );
  if (polymers.length === 0) return null;
  return (
    <>
      <Table className={styles.carriers}>
        <TableHead>
          <TableRow>
            <TableCell>{msg`plastic or rubber`}</TableCell>
            <TableCell>{msg`in ${coolant}`}</TableCell>
            <TableCell>{msg`carried by`}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {polymers.map((s) => (
            <TableRow key={s.material}>
              <TableCell>{s.material}</TableCell>
              <TableCell>
                <Mark verdict={s.verdict} size={12} /> {WORDS[s.verdict]}
                {s.because && <span className="soft">: {s.because}</span>}
              </TableCell>
              <TableCell>
                {s.carriers.map((c, k) => (
                  <span key={`${c.component}-${c.as}`}>
                    {k > 0 ? ', ' : ''}
                    {c.component.includes(':') ? (
                      c.name
                    ) : (
                      <Press
                        className={styles.link}
                        data-picked={picked === c.component || undefined}
                        onClick={() => pick(c.component)}
                      >
                        {c.name}
                      </Press>
                    )}
                    {c.as === 'seal' && <> {msg`(seal)`}</>}
                  </span>
                ))}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {silent.length > 0 && (
        <p className="soft">
          {msg`The data of ${silent.map((i) => i.name).join(', ')} do not tell what plastics and
            seals the coolant touches there: not judged.`}
        </p>
      )}
    </>
  );
}
