'use client';
import { useRef } from 'react';
import type { Control, Edit, Component } from '@/core/design';
import type { FanPart, PumpPart } from '@/core/components';
import { formatCelsius, formatNumber, formatSpeed, tickShown, unitShown } from '@/core/units';
import type { Transient } from '@/core/transient';
import { Pick, QuantityField, Press } from '@/view/shared';
import { useSize } from '@/view/shared/useWidth';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../../frame/StageFrame';
import styles from './TimePanel.module.css';

const LEFT = 40,
  RIGHT = 14,
  TOP = 12,
  BOTTOM = 22;
type Driven = Component & { readonly part: FanPart | PumpPart };

/**
 * What all fans (or pumps) follow: a curve of speed over a temperature, its points dragged or moved
 * by keys.
 */
export function ControlEditor({
  kind,
  run,
}: {
  readonly kind: 'fan' | 'pump';
  readonly run: Transient | null;
}) {
  // The curve moves with the hand; what comes of it follows when it is worked out.
  const design = useEditor((s) => s.latest);
  const commit = useEditor((s) => s.commit);
  const components = design.components.filter(
    (i): i is Driven => i.part.kind === kind && (kind === 'pump' || i.placement.on === 'radiator'),
  );
  const [first] = components;
  if (!first) return null;
  const control = components.find((i) => i.settings.control)?.settings.control ?? null;
  const most = Math.max(...components.map((i) => i.part.fullSpeed_rpm)),
    least = Math.min(...components.map((i) => i.part.minSpeed_rpm));
  const { room_C } = design.brief;
  const what = kind === 'fan' ? 'fans' : 'pumps';
  const put = (next: Control | null, merge?: string): void =>
    commit(
      next ? msg`let the ${what} follow a curve` : msg`set the ${what} by hand`,
      {
        do: 'batch',
        edits: components.map((i): Edit =>
          next
            ? { do: 'component.set', component: i.id, values: { control: next } }
            : { do: 'component.unset', component: i.id, keys: ['control'] },
        ),
      },
      merge,
    );
  if (!control) {
    const usual: Control = {
      sensor: 'coolant',
      points: [
        [room_C + 4, Math.round(Math.max(least, most * 0.35))],
        [room_C + 9, Math.round(Math.max(least, most * 0.55))],
        [room_C + 15, most],
      ],
      hysteresis_K: 1,
      ramp_rpms: 50,
    };
    return (
      <Section title={kind === 'fan' ? msg`Fans` : msg`Pump`}>
        <p>
          {msg`Set by hand, ${formatSpeed(first.settings.speed_rpm ?? first.part.fullSpeed_rpm)}.`}{' '}
          <Press className={styles.small} onClick={() => put(usual)}>
            {msg`Let ${kind === 'fan' ? msg`them` : msg`it`} follow a curve`}
          </Press>
        </p>
      </Section>
    );
  }
  return (
    <CurveBody
      kind={kind}
      control={control}
      first={first.id}
      most={most}
      least={least}
      put={put}
      run={run}
    />
  );
}

interface BodyProps {
  readonly kind: 'fan' | 'pump';
  readonly control: Control;
  readonly first: string;
  readonly most: number;
  readonly least: number;
  put(next: Control | null, merge?: string): void;
  readonly run: Transient | null;
}

function CurveBody({ kind, control, first, most, least, put, run }: BodyProps) {
  const brief = useEditor((s) => s.design.brief);
  const thermalModel = useEditor((s) => s.analysis.thermalModel);
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const { room_C } = brief;
  const what = kind === 'fan' ? 'fans' : 'pumps';
  const sensors = [
    { value: 'coolant', label: msg`the coolant` },
    ...thermalModel.sources.flatMap((s) =>
      s.part.hotSpots.map((p) => ({
        value: `${s.component.id}/${p.id}`,
        label: `${s.component.name}, ${p.name}`,
      })),
    ),
  ];
  const { points } = control;
  const low = Math.floor(Math.min(room_C, (points[0]?.[0] ?? room_C) - 2) / 5) * 5,
    high = Math.ceil(Math.max((points[points.length - 1]?.[0] ?? 40) + 3, low + 20) / 5) * 5;
  const X = (t: number): number => LEFT + ((t - low) / (high - low)) * (width - LEFT - RIGHT),
    Y = (v: number): number => TOP + (1 - v / most) * (height - TOP - BOTTOM);
  /** Keeps temperatures rising and speeds not falling. */
  const move = (k: number, temp: number, rpm: number): void => {
    const before = points[k - 1],
      after = points[k + 1];
    const t = Math.min(
      (after?.[0] ?? 110) - 0.5,
      Math.max((before?.[0] ?? -20) + 0.5, Math.round(temp * 2) / 2),
    );
    const v = Math.min(after?.[1] ?? most, Math.max(before?.[1] ?? 0, Math.round(rpm / 10) * 10));
    put({ ...control, points: points.map((p, i) => (i === k ? [t, v] : p)) }, `control-${kind}`);
  };
  const track = run?.speeds.find((s) => s.component === first);
  const line =
    points.length > 0
      ? `M${LEFT} ${Y(points[0]?.[1] ?? 0)}${points.map(([t, v]) => `L${X(t)} ${Y(v)}`).join('')}L${width - RIGHT} ${Y(points[points.length - 1]?.[1] ?? 0)}`
      : '';
  return (
    <Section
      title={kind === 'fan' ? msg`Fans follow` : msg`Pump follows`}
      aside={
        <Pick
          label={msg`Sensor of the ${what}`}
          hideLabel
          value={control.sensor}
          options={sensors}
          onPick={(sensor) => put({ ...control, sensor })}
        />
      }
    >
      <div ref={frame} className={styles.curve}>
        {width > 0 && (
          <>
            <svg width={width} height={height} aria-hidden>
              {[0, 0.5, 1].map((s) => (
                <g key={s}>
                  <line
                    x1={LEFT}
                    x2={width - RIGHT}
                    y1={Y(s * most)}
                    y2={Y(s * most)}
                    stroke="var(--hairline)"
                  />
                  <text x={LEFT - 5} y={Y(s * most) + 4} textAnchor="end">
                    {formatNumber(s * most)}
                  </text>
                </g>
              ))}
              {Array.from({ length: Math.floor((high - low) / 5) + 1 }, (_, i) => low + 5 * i)
                .filter((_, i) => (high - low) / 5 < 8 || i % 2 === 0)
                .map((t) => (
                  <text key={t} x={X(t)} y={height - 6} textAnchor="middle">
                    {tickShown(t, '°C')}
                  </text>
                ))}
              <text x={width - RIGHT} y={height - BOTTOM - 4} textAnchor="end">
                {unitShown('°C')}
              </text>
              <path d={line} fill="none" stroke="var(--ink)" strokeWidth="2" />
              {track &&
                control.sensor === 'coolant' &&
                run &&
                Array.from({ length: 60 }, (_, i) =>
                  Math.round((i * (run.time_s.length - 1)) / 59),
                ).map((i) => (
                  <circle
                    key={i}
                    cx={X(
                      Math.min(
                        high,
                        Math.max(low, Math.max(...run.loops.map((l) => l.mean_C[i] as number))),
                      ),
                    )}
                    cy={Y(track.speed_rpm[i] as number)}
                    r="1.6"
                    fill="var(--ok)"
                  />
                ))}
            </svg>
            {points.map(([t, v], k) => (
              <Press
                key={k}
                role="slider"
                className={styles.knob}
                style={{ left: X(t), top: Y(v) }}
                aria-label={msg`Point ${k + 1} of the ${what}' curve`}
                aria-valuemin={0}
                aria-valuemax={most}
                aria-valuenow={v}
                aria-valuetext={msg`${formatSpeed(v)} at ${formatCelsius(t, 1)}`}
                onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
                onPointerMove={(e) => {
                  const box = frame.current?.getBoundingClientRect();
                  if (box && e.currentTarget.hasPointerCapture(e.pointerId))
                    move(
                      k,
                      low + ((e.clientX - box.left - LEFT) / (width - LEFT - RIGHT)) * (high - low),
                      most * (1 - (e.clientY - box.top - TOP) / (height - TOP - BOTTOM)),
                    );
                }}
                onKeyDown={(e) => {
                  const by = {
                    ArrowRight: [0.5, 0],
                    ArrowLeft: [-0.5, 0],
                    ArrowUp: [0, 50],
                    ArrowDown: [0, -50],
                  }[e.key];
                  if (by) {
                    e.preventDefault();
                    move(k, t + (by[0] as number), v + (by[1] as number));
                  }
                  if ((e.key === 'Delete' || e.key === 'Backspace') && points.length > 1) {
                    e.preventDefault();
                    put({ ...control, points: points.filter((_, i) => i !== k) });
                  }
                }}
              />
            ))}
          </>
        )}
      </div>
      <div className={styles.row}>
        <QuantityField
          label={msg`Hysteresis`}
          value={control.hysteresis_K}
          quantity="difference"
          decimals={1}
          width={40}
          min={0}
          max={30}
          onCommit={(v) => v !== null && put({ ...control, hysteresis_K: v })}
        />
        <QuantityField
          label={msg`Fastest change, a second`}
          value={control.ramp_rpms}
          quantity="speed"
          width={48}
          min={1}
          max={20000}
          onCommit={(v) => v !== null && put({ ...control, ramp_rpms: v })}
        />
        <Press
          className={styles.small}
          disabled={points.length >= 12}
          onClick={() => {
            const last = points[points.length - 1] ?? [room_C + 5, least];
            put({ ...control, points: [...points, [last[0] + 3, Math.max(last[1], most)]] });
          }}
        >
          {msg`Add a point`}
        </Press>
        <Press className={styles.small} onClick={() => put(null)}>
          {msg`Set by hand again`}
        </Press>
      </div>
      <p className="soft">
        {msg`Drag a point, or move it with the arrow keys; Delete takes it out. Dots: where the
          run stood.`}
      </p>
    </Section>
  );
}
