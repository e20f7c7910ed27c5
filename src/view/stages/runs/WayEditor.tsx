'use client';
import type { Connection, RouteConstraints, Loop, Via } from '@/core/design';
import { endWays, type Route } from '@/core/routing';
import type { Run } from '@/core/tubing';
import type { Vec } from '@/core/geometry';
import { Pick, QuantityField, Check, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg, worded, noted } from '@/core/messages';
import styles from './RunsStage.module.css';

const WAYS: readonly {
  readonly value: string;
  readonly to: string;
  readonly from: string;
  readonly way: Vec;
}[] = worded(() => [
  { value: '0,1,0', to: 'upward', from: msg`from above`, way: [0, 1, 0] },
  { value: '0,-1,0', to: 'downward', from: msg`from below`, way: [0, -1, 0] },
  { value: '1,0,0', to: msg`to the front`, from: msg`from the front`, way: [1, 0, 0] },
  { value: '-1,0,0', to: msg`to the rear`, from: msg`from the rear`, way: [-1, 0, 0] },
  { value: '0,0,1', to: msg`to the glass`, from: msg`from the glass`, way: [0, 0, 1] },
  { value: '0,0,-1', to: msg`to the tray`, from: msg`from the tray`, way: [0, 0, -1] },
]);
const AXES = worded(() => [msg`From the rear`, msg`Above the floor`, msg`From the tray`] as const);

/**
 * The way of a run set by hand: how it leaves and arrives, what it passes, aslant or behind the
 * tray, and whether it is pinned.
 */
export function WayEditor({
  run,
  loop,
  link: connection,
  route,
}: {
  readonly run: Run;
  readonly loop: Loop;
  readonly link: Connection;
  readonly route: Route | undefined;
}) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const system = useEditor((s) => s.analysis.system);
  const constraints: RouteConstraints = connection.constraints ?? {};
  const isPinned = design.layout.routes[run.id]?.pinned ?? false;
  // What is set by hand after a pin takes the pin's place.
  const set = (next: RouteConstraints): void =>
    commit(msg`re-route ${run.name}`, {
      do: 'connection.way',
      loop: loop.id,
      connection: connection.id,
      constraints: next,
    });
  const exits = (side: 'from' | 'to') => {
    const port = system.portAt(connection[side]);
    const found = port
      ? endWays(
          port.at,
          port.direction,
          connection.ends[side],
          { fitting: loop.fitting, kit: design.kit },
          !loop.tube.hard,
        ).map((e) => e.direction)
      : [];
    return [
      { value: '', label: msg`as it is shortest` },
      ...WAYS.filter((w) =>
        found.some((d) => d.every((v, i) => Math.abs(v - (w.way[i] as number)) < 1e-6)),
      ).map((w) => ({ value: w.value, label: side === 'from' ? w.to : w.from })),
    ];
  };
  const exit = (key: 'exit' | 'entry', value: string): void => {
    const { [key]: _old, ...rest } = constraints,
      chosen = WAYS.find((w) => w.value === value);
    set(chosen ? { ...rest, [key]: chosen.way } : rest);
  };
  const vias = constraints.waypoints ?? [];
  const setVia = (next: readonly Via[]): void => {
    const { waypoints: _old, ...rest } = constraints;
    set(next.length > 0 ? { ...rest, waypoints: next } : rest);
  };
  const middle = route?.corners[Math.floor(route.corners.length / 2)] ?? [0, 0, 0];
  const behind = (design.case?.behind_mm ?? 0) > 0 && (design.case?.grommets ?? []).length > 0,
    runsBehind = vias.some((v) => v[2] !== null && v[2] < 0);
  return (
    <details
      className={styles.way}
      open={connection.constraints !== undefined || isPinned || undefined}
    >
      <summary>{noted(msg`Route by hand`, isPinned && msg`pinned`)}</summary>
      <div className={styles.ends}>
        <Pick
          label={msg`Sets off`}
          value={constraints.exit?.join() ?? ''}
          options={exits('from')}
          onPick={(v) => exit('exit', v)}
        />
        <Pick
          label={msg`Comes in`}
          value={constraints.entry?.join() ?? ''}
          options={exits('to')}
          onPick={(v) => exit('entry', v)}
        />
      </div>
      {vias.map((via, i) => (
        <div key={i} className={styles.via}>
          <span>{msg`Passes ${i + 1}`}</span>
          {AXES.map((label, k) => (
            <QuantityField
              key={label}
              label={label}
              optional
              value={via[k as 0]}
              quantity="length"
              min={-200}
              max={2000}
              onCommit={(v) =>
                setVia(
                  vias
                    .map((o, j) =>
                      j === i ? (o.map((x, m) => (m === k ? v : x)) as unknown as Via) : o,
                    )
                    .filter((o) => o.some((x) => x !== null)),
                )
              }
            />
          ))}
          <Press
            className={styles.quiet}
            onClick={() => setVia(vias.filter((_, j) => j !== i))}
            aria-label={msg`Let place ${i + 1} go`}
          >
            {msg`Let go`}
          </Press>
        </div>
      ))}
      <p className={styles.row}>
        <Press
          className={styles.link}
          disabled={vias.length >= 12}
          onClick={() => setVia([...vias, [null, Math.round(middle[1]), null]])}
        >
          {msg`Pass a place`}
        </Press>
        {behind && !runsBehind && (
          <Press
            className={styles.link}
            onClick={() =>
              setVia([...vias, [null, null, -Math.round((design.case?.behind_mm ?? 0) / 2) - 1]])
            }
          >
            {msg`Run it behind the tray`}
          </Press>
        )}
        {loop.tube.hard && (
          <label>
            <Check
              checked={constraints.allow45 ?? false}
              onChange={(e) => {
                const { allow45: _old, ...rest } = constraints;
                set(e.target.checked ? { ...rest, allow45: true } : rest);
              }}
            />{' '}
            {msg`diagonal (45°) where shorter`}
          </label>
        )}
      </p>
      <p className={styles.row}>
        {isPinned ? (
          <Press
            className={styles.link}
            onClick={() =>
              commit(msg`unpin ${run.name}`, { do: 'route.pin', connection: run.id, pinned: false })
            }
          >
            {msg`Unpin`}
          </Press>
        ) : (
          route && (
            <Press
              className={styles.link}
              onClick={() =>
                commit(msg`pin ${run.name}`, { do: 'route.pin', connection: run.id, pinned: true })
              }
            >
              {msg`Pin it as it lies`}
            </Press>
          )
        )}
        {(connection.constraints || isPinned) && (
          <Press
            className={styles.quiet}
            onClick={() =>
              commit(msg`route ${run.name} automatically`, {
                do: 'connection.way',
                loop: loop.id,
                connection: connection.id,
                constraints: null,
              })
            }
          >
            {msg`Reset to automatic route`}
          </Press>
        )}
      </p>
      <p className="soft">
        {msg`Its legs and corners can be dragged, in space and in the drawings; a diagonal leg
          slides along the run. With Shift all of the run between its ends moves. It follows live,
          the rest when you let go.`}
      </p>
    </details>
  );
}
