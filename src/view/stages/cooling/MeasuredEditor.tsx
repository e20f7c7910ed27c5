'use client';
import { findComponent } from '@/core/design';
import { useMemo, useState } from 'react';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import {
  QUANTITIES,
  convertFromInner,
  formatShown,
  parseColumns,
  unitShown,
  type QuantityName,
} from '@/core/units';
import { Pick, TextInput, rich } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { counted, msg } from '@/core/messages';
import { CurvePlot } from '../curve';
import styles from '../curve/CurveEditor.module.css';

const COLUMNS = {
  air: ['airFlow', 'flow', 'conductance'],
  speed: ['speed', 'flow', 'conductance'],
} as const satisfies Record<'air' | 'speed', readonly QuantityName[]>;
const MOST_POINTS = 60;
const plain = (v: number): string => String(Number(v.toPrecision(5)));

/**
 * A radiator's W/K as measured, at air flow or fan speed and coolant flow; pasted or typed in any
 * unit.
 */
export function MeasuredEditor({
  component: id,
  onClose,
}: {
  readonly component: string;
  onClose(): void;
}) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const component = findComponent(design, id);
  const known = component?.part.kind === 'radiator' ? component.part.measured : undefined;
  const [against, setAgainst] = useState<'air' | 'speed'>(known?.against ?? 'speed');
  const columns = COLUMNS[against];
  const [units, setUnits] = useState<readonly [string, string]>([
    QUANTITIES[columns[0]].inner,
    QUANTITIES.flow.inner,
  ]);
  const [text, setText] = useState<string | null>(null);
  const [source, setSource] = useState(known?.source ?? '');
  const own = (known?.points ?? [])
    .map(
      ([x, q, k]) =>
        `${plain(convertFromInner(x, columns[0], units[0]))}\t${plain(convertFromInner(q, 'flow', units[1]))}\t${plain(k)}`,
    )
    .join('\n');
  const shown = text ?? own;
  const parsed = useMemo(() => parseColumns(shown, columns, units, 2), [shown, columns, units]);
  const rows = parsed.rows
    .map((r) => r as unknown as readonly [number, number, number])
    .filter((r) => r[1] > 0 && r[2] > 0);
  const ok = parsed.troubles.length === 0 && rows.length > 0 && rows.length <= MOST_POINTS;
  const flows = [...new Set(rows.map((r) => Number(r[1].toFixed(2))))];
  return (
    <Dialog
      open
      onClose={() => {
        if (text === null) onClose();
      }}
      maxWidth="md"
      fullWidth
      aria-labelledby="measured-title"
    >
      <div className={styles.body}>
        <h1 id="measured-title">{rich`Measured heat of ${component?.name}`}</h1>
        <p className={styles.wide}>
          {msg`One point a line:
            ${against === 'air' ? msg`air through the radiator` : msg`speed of the fans on it`},
            coolant flow, and watts per kelvin between coolant in and air in. A heading or a
            unit behind each number is understood.`}
        </p>
        <div className={styles.left}>
          <div className={styles.units}>
            <Pick
              label={msg`Against`}
              value={against}
              options={[
                { value: 'speed', label: msg`fan speed` },
                { value: 'air', label: msg`air flow` },
              ]}
              onPick={(a) => {
                setAgainst(a);
                setUnits([QUANTITIES[COLUMNS[a][0]].inner, units[1]]);
              }}
            />
            <Pick
              label={against === 'air' ? msg`Air in` : msg`Speed in`}
              value={units[0]}
              options={QUANTITIES[columns[0]].units.map((u) => ({
                value: u.symbol,
                label: u.symbol,
              }))}
              onPick={(x) => setUnits([x, units[1]])}
            />
            <Pick
              label={msg`Flow in`}
              value={units[1]}
              options={QUANTITIES.flow.units.map((u) => ({ value: u.symbol, label: u.symbol }))}
              onPick={(x) => setUnits([units[0], x])}
            />
          </div>
          <textarea
            className={styles.points}
            aria-label={msg`Points`}
            rows={10}
            spellCheck={false}
            placeholder={against === 'air' ? '150\t4\t19.5' : '1000\t4\t19.5'}
            value={shown}
            onChange={(e) => setText(e.target.value)}
            onKeyDown={(e) => e.stopPropagation()}
          />
          <label className={styles.source}>
            {msg`Where from`}{' '}
            <TextInput
              value={source}
              maxLength={200}
              placeholder={msg`own bench, date, room`}
              onChange={(e) => setSource(e.target.value)}
              onKeyDown={(e) => e.stopPropagation()}
            />
          </label>
          {parsed.troubles.length > 0 && (
            <ul role="alert" className={styles.troubles}>
              {parsed.troubles.slice(0, 4).map((t) => (
                <li key={t.line}>{msg`Line ${t.line}: ${t.message}`}</li>
              ))}
            </ul>
          )}
          {rows.length > MOST_POINTS && (
            <p role="alert" className={styles.troubles}>
              {msg`At most ${MOST_POINTS} points are kept; here are ${rows.length}.`}
            </p>
          )}
        </div>
        <div>
          <CurvePlot
            points={rows.map(([x, , k]) => [x, k] as const)}
            at={null}
            x={
              against === 'air'
                ? { word: 'air', unit: 'm³/h' }
                : { word: msg`fan speed`, unit: 'rpm' }
            }
            y={{ word: 'heat', unit: 'W/K' }}
          />
          {rows.length > 0 && (
            <p>
              {msg`${rows.length} ${counted(rows.length, 'point', 'points')} at
                ${flows.map((f) => formatShown(f, 'L/min', { decimals: 1 })).join(', ')}
                ${unitShown('L/min')}. At these states the measured figure is used; between and
                beyond, the model carried through them.`}
            </p>
          )}
        </div>
        <div className={styles.wide}>
          <Button
            variant="contained"
            disabled={!ok}
            onClick={() => {
              commit(msg`set measured points of ${component?.name ?? id}`, {
                do: 'component.measured',
                component: id,
                measured: {
                  against,
                  points: rows,
                  ...(source.trim() ? { source: source.trim() } : {}),
                },
              });
              onClose();
            }}
          >
            {msg`Use these points in this build`}
          </Button>{' '}
          {known && (
            <Button
              onClick={() => {
                commit(msg`model ${component?.name ?? id} again`, {
                  do: 'component.measured',
                  component: id,
                  measured: null,
                });
                onClose();
              }}
            >
              {msg`Take them out`}
            </Button>
          )}{' '}
          <Button onClick={onClose}>{msg`Leave as it was`}</Button>
        </div>
      </div>
    </Dialog>
  );
}
