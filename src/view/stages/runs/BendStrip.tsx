'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { componentName, loopOfRun, type Loop } from '@/core/design';
import {
  formatMeasure,
  formatMillimetres,
  formatNumber,
  formatShown,
  unitShown,
} from '@/core/units';
import type { Run } from '@/core/tubing';
import { bendSheet, putInWords, type TubeTurn } from '@/core/plan';
import { QuantityField, rich } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg, worded } from '@/core/messages';
import { nearWords } from '../runWords';
import styles from './RunsStage.module.css';

const WIDE = 330,
  HIGH = 62;
/** Four figures: the table is as wide as the panel. */
const RADIUS_PX = 36;
/** The longer word may break where its parts meet. */
const TURN_WORDS: Record<TubeTurn['direction'], string> = worded(() => ({
  clockwise: msg`clockwise`,
  anticlockwise: msg`anticlockwise`.replace('anticl', 'anti\u00ADcl'),
}));

/**
 * A routed run as the tube lies on the table: where it is cut, where each bend starts, how it is
 * turned between.
 */
export function BendStrip({ run, loop }: { readonly run: Run; readonly loop: Loop }) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const sheet = bendSheet(run, loop),
    { routed } = run;
  if (!sheet || !routed) return null;
  const choose = (corner: number, radius_mm: number | null): void =>
    commit(msg`radius of a bend of ${run.name}`, {
      do: 'route.radius',
      connection: run.id,
      corner,
      radius_mm,
    });
  const x = (mm: number): number => 4 + ((WIDE - 8) * mm) / sheet.cut_mm;
  const [first] = sheet.bends;
  const near = routed.nearest && nearWords(design, routed.nearest.component);
  return (
    <div className={styles.strip}>
      <svg
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        role="img"
        aria-label={msg`Tube of ${formatMeasure(sheet.cut_mm, 'mm', { decimals: 1 })} with
          ${sheet.bends.length} bends; the table below says the same`}
      >
        <rect
          x={x(0)}
          y={18}
          width={x(sheet.cut_mm) - x(0)}
          height={14}
          fill="var(--float)"
          stroke="var(--ink)"
          strokeWidth="1.2"
        />
        {sheet.bends.map((m, i) => (
          <g key={i}>
            <rect
              x={x(m.start_mm)}
              y={18}
              width={Math.max(1, x(m.end_mm) - x(m.start_mm))}
              height={14}
              fill="color-mix(in oklab, var(--copper) 30%, var(--float))"
              stroke="var(--copper)"
              strokeWidth="0.8"
            />
            <path d={`M${x(m.start_mm)} 12v26`} stroke="var(--copper)" strokeWidth="1.2" />
            <text x={x(m.start_mm)} y={i % 2 === 0 ? 9 : 50} className={styles.mark}>
              {formatShown(m.start_mm, 'mm', { decimals: 1 })}
            </text>
          </g>
        ))}
        <text x={x(sheet.cut_mm)} y={60} className={styles.mark} style={{ textAnchor: 'end' }}>
          {msg`cut ${formatShown(sheet.cut_mm, 'mm', { decimals: 1 })}`}
        </text>
      </svg>
      {sheet.bends.length > 0 && (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{msg`bend`}</TableCell>
              <TableCell className="num">{msg`start, ${unitShown('mm')}`}</TableCell>
              <TableCell>{msg`turn the tube first`}</TableCell>
              <TableCell className="num">{msg`angle`}</TableCell>
              {sheet.springBack !== null && <TableCell className="num">{msg`set`}</TableCell>}
              <TableCell className="num">{msg`radius`}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {sheet.bends.map((m, i) => (
              <TableRow key={i}>
                <TableCell>{i + 1}</TableCell>
                <TableCell className="num">
                  {formatShown(m.start_mm, 'mm', { decimals: 1 })}
                </TableCell>
                <TableCell>
                  {m.turn ? (
                    <>
                      <TurnArrow turn={m.turn} /> {formatNumber(m.turn.angle_deg, { decimals: 1 })}°{' '}
                      {TURN_WORDS[m.turn.direction]}
                    </>
                  ) : (
                    '–'
                  )}
                </TableCell>
                <TableCell className="num">{formatNumber(m.angle_deg, { decimals: 1 })}°</TableCell>
                {sheet.springBack !== null && (
                  <TableCell className="num">{formatNumber(m.set_deg, { decimals: 1 })}°</TableCell>
                )}
                <TableCell className="num">
                  <QuantityField
                    label={msg`Radius of bend ${i + 1}`}
                    hideLabel
                    width={RADIUS_PX}
                    value={m.radius_mm}
                    quantity="length"
                    decimals={1}
                    min={loopOfRun(loop, run.id).tube.minBend_mm}
                    max={1000}
                    onCommit={(v) => choose(m.corner, v)}
                  />
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
      {sheet.bends.length > 1 && (
        <p className="soft">
          {msg`Marks are measured from the end at ${sheet.endNames.from}. Hold the end at
            ${sheet.endNames.to}; bend every bend the same way round the mandrel. Turns are as
            seen from the end you hold, looking towards the mandrel.`}
        </p>
      )}
      {first && (
        <p>
          {msg`Start the first bend ${formatMillimetres(first.setBack_mm, 1)} before its corner, on ${
            first.mandrel_mm === first.radius_mm
              ? msg`a mandrel of ${formatMillimetres(first.mandrel_mm, 1)}`
              : msg`a former of ${formatMillimetres(first.mandrel_mm, 1)}: it opens to
                ${formatMillimetres(first.radius_mm, 1)} as it springs back`
          }.`}
        </p>
      )}
      {putInWords(run, (id) => componentName(design, id)).map((words) => (
        <p key={words} className="soft">
          {words}
        </p>
      ))}
      {!run.tube.hard && (
        <p>
          {msg`Cut ${formatMillimetres(sheet.cut_mm)}. Its bends are no tighter than
            ${formatMillimetres(sheet.radius_mm)}.`}
        </p>
      )}
      {routed.nearest && (
        <p className="soft">
          {rich`Nearest object along the route: ${near},
            ${formatMillimetres(routed.nearest.gap_mm, 1)}.`}
        </p>
      )}
    </div>
  );
}

/** The way the tube turns in the hand, drawn as a round arrow; the words beside it say the same. */
function TurnArrow({ turn }: { readonly turn: TubeTurn }) {
  const mirrored = turn.direction === 'anticlockwise';
  return (
    <svg
      className={styles.turn}
      viewBox="-8 -8 16 16"
      aria-hidden="true"
      style={mirrored ? { transform: 'scaleX(-1)' } : undefined}
    >
      <path
        d="M-5 0A5 5 0 1 1 0 5M0 5l3 -2.6M0 5l3 2.6"
        fill="none"
        stroke="var(--copper)"
        strokeWidth="1.6"
      />
    </svg>
  );
}
