'use client';
import { useState } from 'react';
import {
  BRACKET_CAUTIONS,
  bracketSteps,
  CLEARANCE,
  drawBracket,
  type BracketAsk,
} from '@/core/bracket';
import { FAN_PITCH, type CasePart, type HolePattern } from '@/core/components';
import { formatMeasure, formatShown, formatSize } from '@/core/units';
import { Mark, Pick, printSheets, QuantityField, Press } from '@/view/shared';
import { downloadBracket, downloadBracketStl, useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './BracketMaker.module.css';

interface Named {
  readonly value: string;
  readonly label: string;
  readonly holes: HolePattern;
  /** The part whose foot it is. */
  readonly of?: string;
}

const THREADS = Object.keys(CLEARANCE).map((t) => ({ value: t, label: t }));
const fanHoles = (): readonly Named[] =>
  FAN_PITCH.map((f) => ({
    value: `fan-${f.size_mm}`,
    label: msg`${f.size_mm} mm fan, ${f.pitch_mm} mm`,
    holes: { x_mm: f.pitch_mm, z_mm: f.pitch_mm },
  }));

/** What the plate may be screwed to: the case's places with holes, then fans. */
const placesOf = (spots: CasePart['spots']): readonly Named[] => [
  ...spots.flatMap((s): Named[] =>
    s.holes
      ? [
          {
            value: s.id,
            label: msg`${s.name}, ${s.holes.x_mm} × ${s.holes.z_mm} mm`,
            holes: s.holes,
          },
        ]
      : [],
  ),
  ...fanHoles(),
];

/** The plate as it is asked for: its fields, its drawing, and what is made of it. */
export function BracketPlate() {
  const spots = useEditor((s) => s.design.case?.spots);
  const places = placesOf(spots ?? []);
  const components = useEditor((s) => s.design.components);
  const picked = useEditor((s) => s.picked);
  const stand = components.filter((i) => (i.part.foot?.length ?? 0) > 0);
  const feet: readonly Named[] = stand.flatMap((i) =>
    (i.part.foot ?? []).map((f, k): Named => ({
      value: `${i.id}-${k}`,
      label: msg`${i.name}, ${f.x_mm} × ${f.z_mm} mm`,
      holes: f,
      of: i.name,
    })),
  );
  const component = stand.find((i) => i.id === picked) ?? stand[0];
  const spot = component?.placement.on === 'spot' ? component.placement.spot : undefined;
  const [under, setUnder] = useState(
    places.some((p) => p.value === spot) ? (spot as string) : 'fan-180',
  );
  const [over, setOver] = useState(component ? `${component.id}-0` : 'own');
  const [rest, setRest] = useState<Omit<BracketAsk, 'under' | 'over'>>({
    underThread: 'M4',
    overThread: 'M4',
    offset: { x_mm: 0, z_mm: 0 },
    thickness_mm: 2,
    margin_mm: 10,
    opening_mm: 0,
  });
  const [own, setOwn] = useState<{ readonly under: HolePattern; readonly over: HolePattern }>({
    under: { x_mm: 80, z_mm: 80 },
    over: { x_mm: 50, z_mm: 50 },
  });
  const ask: BracketAsk = {
    ...rest,
    under: places.find((p) => p.value === under)?.holes ?? own.under,
    over: feet.find((f) => f.value === over)?.holes ?? own.over,
  };
  const plate = drawBracket(ask);
  // Words and lines keep their size whatever the plate's.
  const k = Math.max(plate.width_mm + 30, plate.height_mm + 30) / 250;
  const title = msg`Bracket for
    ${feet.find((f) => f.value === over)?.of ?? msg`a part`}`;
  const mm = (label: string, value: number, set: (v: number) => void, min = 0, max = 400) => (
    <QuantityField
      label={label}
      value={value}
      quantity="length"
      min={min}
      max={max}
      onCommit={(v) => v !== null && set(v)}
    />
  );
  const other = { value: 'own', label: msg`measured by hand` };
  /** The plate at its size on paper; the drawing's format is loaded when it is asked for. */
  const printPlate = async (): Promise<void> => {
    const { bracketToSvg } = await import('@/format');
    printSheets(
      title,
      [bracketToSvg(plate, title)],
      [{ title, steps: bracketSteps(ask, plate), cautions: BRACKET_CAUTIONS }],
      8,
    );
  };
  return (
    <div className={styles.maker}>
      <div className={styles.fields}>
        <Pick
          label={msg`Screwed to`}
          value={under}
          options={[...places, other]}
          onPick={setUnder}
        />
        {under === 'own' && (
          <>
            {mm(
              msg`Its pitch across`,
              own.under.x_mm,
              (v) => setOwn({ ...own, under: { ...own.under, x_mm: v } }),
              4,
            )}
            {mm(
              msg`Its pitch along`,
              own.under.z_mm,
              (v) => setOwn({ ...own, under: { ...own.under, z_mm: v } }),
              4,
            )}
          </>
        )}
        <Pick label={msg`Carries`} value={over} options={[...feet, other]} onPick={setOver} />
        {over === 'own' && (
          <>
            {mm(
              msg`Foot across`,
              own.over.x_mm,
              (v) => setOwn({ ...own, over: { ...own.over, x_mm: v } }),
              4,
            )}
            {mm(
              msg`Foot along`,
              own.over.z_mm,
              (v) => setOwn({ ...own, over: { ...own.over, z_mm: v } }),
              4,
            )}
          </>
        )}
        <Pick
          label={msg`Screws below`}
          value={ask.underThread}
          options={THREADS}
          onPick={(t) => setRest({ ...rest, underThread: t })}
        />
        <Pick
          label={msg`Screws above`}
          value={ask.overThread}
          options={THREADS}
          onPick={(t) => setRest({ ...rest, overThread: t })}
        />
        {mm(
          msg`Shifted across`,
          ask.offset.x_mm,
          (v) => setRest({ ...rest, offset: { ...rest.offset, x_mm: v } }),
          -200,
          200,
        )}
        {mm(
          msg`Shifted along`,
          ask.offset.z_mm,
          (v) => setRest({ ...rest, offset: { ...rest.offset, z_mm: v } }),
          -200,
          200,
        )}
        {mm(msg`Sheet`, ask.thickness_mm, (v) => setRest({ ...rest, thickness_mm: v }), 0.5, 12)}
        {mm(
          msg`Edge beyond the holes`,
          ask.margin_mm,
          (v) => setRest({ ...rest, margin_mm: v }),
          2,
          60,
        )}
        {mm(
          msg`Opening in the middle`,
          ask.opening_mm,
          (v) => setRest({ ...rest, opening_mm: v }),
          0,
          150,
        )}
      </div>
      <div
        className={styles.drawing}
        role="img"
        aria-label={msg`Plate ${formatSize([plate.width_mm, plate.height_mm])} with
          ${plate.holes.length} holes`}
      >
        <svg
          viewBox={`${-20 * k} ${-4 * k} ${plate.width_mm + 26 * k} ${plate.height_mm + 26 * k}`}
        >
          <rect
            x={0}
            y={0}
            width={plate.width_mm}
            height={plate.height_mm}
            rx={plate.corner_mm}
            fill="var(--float)"
            stroke="var(--ink)"
            strokeWidth={1.2 * k}
          />
          {plate.holes.map((h, i) => (
            <circle
              key={i}
              cx={h.x_mm}
              cy={plate.height_mm - h.z_mm}
              r={h.diameter_mm / 2}
              fill="var(--paper)"
              stroke={h.of === 'over' ? 'var(--copper)' : 'var(--ink)'}
              strokeWidth={1.1 * k}
            />
          ))}
          <path
            d={`M0 ${plate.height_mm + 8 * k}h${plate.width_mm}M0 ${plate.height_mm + 5 * k}v${6 * k}M${plate.width_mm} ${plate.height_mm + 5 * k}v${6 * k}M${-8 * k} 0v${plate.height_mm}M${-11 * k} 0h${6 * k}M${-11 * k} ${plate.height_mm}h${6 * k}`}
            stroke="var(--soft)"
            strokeWidth={0.8 * k}
            fill="none"
          />
          <text
            x={plate.width_mm / 2}
            y={plate.height_mm + 19 * k}
            className={styles.dimension}
            style={{ fontSize: 9 * k }}
          >
            {formatShown(plate.width_mm, 'mm', { decimals: 1 })}
          </text>
          <text
            x={-12 * k}
            y={plate.height_mm / 2}
            className={styles.dimension}
            style={{ fontSize: 9 * k }}
            transform={`rotate(-90 ${-12 * k} ${plate.height_mm / 2})`}
          >
            {formatShown(plate.height_mm, 'mm', { decimals: 1 })}
          </text>
        </svg>
      </div>
      {plate.troubles.map((t) => (
        <p key={t.says}>
          <Mark verdict={t.measured_mm < 0 ? 'fails' : 'marginal'} />{' '}
          {msg`${t.says} ${formatMeasure(t.measured_mm, 'mm', { decimals: 1 })}, at least
            ${formatMeasure(t.limit_mm, 'mm', { decimals: 1 })}.`}
        </p>
      ))}
      <p className="soft">
        {msg`Ink: holes of the case, ${ask.underThread}. Copper: holes of the part,
          ${ask.overThread}.`}
      </p>
      <p className={styles.files}>
        <Press className={styles.use} onClick={() => downloadBracket(title, plate, 'svg')}>
          {msg`SVG, 1:1 with ruler`}
        </Press>
        <Press className={styles.use} onClick={() => downloadBracket(title, plate, 'dxf')}>
          {msg`DXF`}
        </Press>
        <Press
          className={styles.use}
          title={msg`The plate, ${ask.thickness_mm} mm thick, to print or mill`}
          onClick={() => void downloadBracketStl(title, plate, ask.thickness_mm)}
        >
          {msg`STL`}
        </Press>
        <Press className={styles.use} onClick={() => void printPlate()}>
          {msg`Print with steps`}
        </Press>
      </p>
      <ol className={styles.steps}>
        {bracketSteps(ask, plate).map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ol>
      {BRACKET_CAUTIONS.map((c) => (
        <p key={c} className={styles.caution}>
          {c}
        </p>
      ))}
    </div>
  );
}
