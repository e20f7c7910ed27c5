'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import {
  ROUTE_STYLES,
  type Component,
  type Loop,
  type LoopRouting,
  type MayMove,
  type RouteStyle,
  type RouteWeights,
} from '@/core/design';
import { ANYWHERE_MM, freedomOf } from '@/core/layoutSearch';
import { pricesOf, styleOf, type Tidiness } from '@/core/routing';
import type { BetterLayout } from '@/core/betterLayout';
import { INSERTION_MM } from '@/core/tubing';
import { formatMeasure, formatShown, unitShown } from '@/core/units';
import { Pick, Press, Progress, QuantityField, Segments } from '@/view/shared';
import { useBetterLayout, useEditor } from '@/view/workspace';
import { counted, msg, worded, formatPrice } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import type { Preview } from './usePreview';
import styles from './RunsStage.module.css';

const STYLE_NAMES: Record<RouteStyle, string> = worded(() => ({
  parallel: msg`straight and parallel: 90° and 45°`,
  free: msg`free angles: fewest bends`,
  shortest: msg`shortest`,
  hidden: msg`hidden: behind the tray, or close to it`,
}));

const freedoms = (): readonly {
  readonly value: string;
  readonly label: string;
  readonly may: MayMove;
}[] => [
  { value: 'stays', label: msg`stays`, may: { turn: false, slide_mm: 0 } },
  { value: 'turns', label: msg`may turn`, may: { turn: true, slide_mm: 0 } },
  {
    value: 'slides',
    label: msg`may slide ${formatMeasure(40, 'mm')}`,
    may: { turn: false, slide_mm: 40 },
  },
  {
    value: 'both',
    label: msg`may turn and slide ${formatMeasure(40, 'mm')}`,
    may: { turn: true, slide_mm: 40 },
  },
  {
    value: 'far',
    label: msg`may turn and slide ${formatMeasure(200, 'mm')}`,
    may: { turn: true, slide_mm: 200 },
  },
  {
    value: 'free',
    label: msg`free: may turn and stand anywhere`,
    may: { turn: true, slide_mm: ANYWHERE_MM },
  },
];

const freedomValue = ({ turn, slide_mm }: MayMove): string => {
  if (slide_mm >= ANYWHERE_MM) return 'free';
  if (slide_mm > 100) return 'far';
  if (turn) return slide_mm > 0 ? 'both' : 'turns';
  return slide_mm > 0 ? 'slides' : 'stays';
};

/** Parts that something can be moved of: what hangs on rails, stands on spots or free. */
const isMovable = ({ part, placement }: Component): boolean =>
  'ports' in part && ['mount', 'spot', 'free', 'against'].includes(placement.on);

/**
 * How the runs are to lie, what may move for it, and a better layout: looked for in the engine,
 * shown beside the one there is, taken in one step.
 */
export function LayoutPanel({ preview }: { readonly preview: Preview }) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const movable = design.components.filter(isMovable);
  return (
    <Section title={msg`Layout`}>
      {design.loops.map((loop) => (
        <StyleFields key={loop.id} loop={loop} />
      ))}
      {movable.length > 0 && (
        <details className={styles.caps}>
          <summary>
            {msg`What may move:
              ${counted(movable.filter((c) => freedomValue(freedomOf(c)) !== 'stays').length, '# part', '# parts')}`}
          </summary>
          <div className={styles.movable}>
            {movable.map((c) => (
              <Pick
                key={c.id}
                label={c.name}
                value={freedomValue(freedomOf(c))}
                options={freedoms()}
                onPick={(value) => {
                  const may = freedoms().find((f) => f.value === value)?.may;
                  if (may)
                    commit(msg`what ${c.name} may do`, {
                      do: 'component.set',
                      component: c.id,
                      values: { mayMove: may },
                    });
                }}
              />
            ))}
          </div>
        </details>
      )}
      <Improve preview={preview} />
    </Section>
  );
}

/** Style of a loop's runs, and what it weighs. */
function StyleFields({ loop }: { readonly loop: Loop }) {
  const commit = useEditor((s) => s.commit);
  const style = styleOf(loop);
  const prices = pricesOf(loop);
  const { freeOrder } = loop.routing ?? {};
  const set = (routing: LoopRouting): void =>
    commit(msg`how ${loop.name} lies`, { do: 'loop.routing', loop: loop.id, routing });
  const weigh = (weights: RouteWeights): void =>
    set({ ...loop.routing, style, weights: { ...loop.routing?.weights, ...weights } });
  return (
    <>
      <div className={styles.movable}>
        <Pick
          label={msg`Style of ${loop.name}`}
          value={style}
          options={ROUTE_STYLES.map((value) => ({ value, label: STYLE_NAMES[value] }))}
          onPick={(value) =>
            set({ style: value as RouteStyle, ...(freeOrder ? { freeOrder } : {}) })
          }
        />
        <Pick
          label={msg`Order of ${loop.name}`}
          value={freeOrder ? 'free' : 'stays'}
          options={[
            { value: 'stays', label: msg`stays` },
            { value: 'free', label: msg`may change for a better layout` },
          ]}
          onPick={(value) => {
            const { freeOrder: _was, ...kept } = loop.routing ?? { style };
            set(value === 'free' ? { ...kept, freeOrder: true } : kept);
          }}
        />
      </div>
      <details className={styles.caps}>
        <summary>{msg`What ${loop.name} weighs`}</summary>
        <div className={styles.ends}>
          <QuantityField
            label={msg`A bend is worth`}
            quantity="length"
            value={prices.bend_mm}
            min={0}
            max={1000}
            onCommit={(v) => v !== null && weigh({ bend_mm: v })}
          />
          <QuantityField
            label={msg`Crossing another loop`}
            quantity="length"
            value={prices.view_mm}
            min={0}
            max={2000}
            onCommit={(v) => v !== null && weigh({ view_mm: v })}
          />
          <QuantityField
            label={msg`Off its neighbours’ lines`}
            quantity="share"
            value={Math.round(prices.offPlane * 100)}
            min={0}
            max={200}
            onCommit={(v) => v !== null && weigh({ offPlane: v / 100 })}
          />
        </div>
      </details>
    </>
  );
}

/** Looks for a better layout; shows it before and after, with all it comes to. */
function Improve({ preview }: { readonly preview: Preview }) {
  const design = useEditor((s) => s.design);
  const [asked, setAsked] = useState<typeof design | null>(null);
  const { result, fresh, soFar, isPartial, progress, stopped, stop, retry } = useBetterLayout(
    asked === design,
  );
  const here = asked === design && fresh;
  const found = here ? result?.found : undefined;
  return (
    <div className={styles.way}>
      {!here && progress === null && !stopped && (
        <Press className={styles.act} onClick={() => setAsked(design)}>
          {msg`Improve layout`}
        </Press>
      )}
      {asked === design && (
        <Progress
          share={progress}
          stopped={stopped}
          onStop={stop}
          onAgain={retry}
          what={msg`the layout`}
        />
      )}
      {soFar?.found && (
        <>
          <p className="soft">
            {msg`The best so far. It goes on looking; stopped, this is what you can take.`}
          </p>
          <GainsTable found={soFar.found} />
        </>
      )}
      {here && found === null && (
        <p className="soft" role="status">
          {msg`No other ports, turns or places were found that give fewer bends or less tube.`}
        </p>
      )}
      {found && <Gains found={found} preview={preview} />}
      {here && isPartial && (
        <p>
          {msg`Stopped before all was looked at.`}{' '}
          <Press className={styles.link} onClick={retry}>
            {msg`Look further`}
          </Press>
        </p>
      )}
    </div>
  );
}

const bendsIn = ({ hard, runs }: Tidiness): number =>
  hard?.bends ?? runs.reduce((n, r) => n + r.bends, 0);
const planesIn = ({ runs }: Tidiness): number => Math.max(0, ...runs.map((r) => r.planes));

function Gains({ found, preview }: { readonly found: BetterLayout; readonly preview: Preview }) {
  const commit = useEditor((s) => s.commit);
  const isAfter = preview.design === found.design;
  return (
    <div role="status">
      <Segments
        label={msg`Shown`}
        value={isAfter ? 'after' : 'before'}
        options={[
          { value: 'before', label: msg`before` },
          { value: 'after', label: msg`after` },
        ]}
        onPick={(value) => preview.show(value === 'after' ? found.design : null)}
      />
      <GainsTable found={found} />
      <Press
        className={styles.act}
        onClick={() => {
          preview.show(null);
          commit(msg`improve the layout`, found.edit);
        }}
      >
        {msg`Use this layout`}
      </Press>
    </div>
  );
}

/** What a layout comes to beside the one there is, what it moves, and what it makes worse. */
function GainsTable({ found }: { readonly found: BetterLayout }) {
  const { before, after, tidiness, moves, worse, price_minor } = found;
  const currency = useEditor((s) => s.design.brief.currency);
  const rows: readonly (readonly [string, string, string])[] = [
    [msg`runs with a route`, `${before.runs}`, `${after.runs}`],
    [msg`bends`, `${bendsIn(tidiness.before)}`, `${bendsIn(tidiness.after)}`],
    [msg`planes of one run, most`, `${planesIn(tidiness.before)}`, `${planesIn(tidiness.after)}`],
    [msg`tube as cut, ${unitShown('m')}`, cutOf(before), cutOf(after)],
    [msg`elbows and extenders`, `${before.adapters}`, `${after.adapters}`],
    [msg`crossings`, `${tidiness.before.crossings}`, `${tidiness.after.crossings}`],
  ];
  return (
    <>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell />
            <TableCell className="num">{msg`before`}</TableCell>
            <TableCell className="num">{msg`after`}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map(([what, was, is]) => (
            <TableRow key={what}>
              <TableCell>{what}</TableCell>
              <TableCell className="num">{was}</TableCell>
              <TableCell className="num">{is}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <p>
        {price_minor === 0
          ? msg`It costs the same.`
          : msg`The list is ${formatPrice(Math.abs(price_minor), currency)}
            ${price_minor < 0 ? msg`cheaper` : msg`dearer`}.`}
      </p>
      {moves.length > 0 && (
        <ul className={styles.list}>
          {moves.map((m) => (
            <li key={m}>{m}</li>
          ))}
        </ul>
      )}
      {worse.length > 0 && <p>{msg`New findings: ${worse.join('; ')}.`}</p>}
    </>
  );
}

/** Tube as it is cut: what is seen of it, and what sits in both its fittings. */
const cutOf = ({ runs, tube_mm }: BetterLayout['after']): string =>
  formatShown((tube_mm + 2 * INSERTION_MM * runs) / 1000, 'm', { decimals: 2 });
