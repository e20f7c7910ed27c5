'use client';
import { formatKelvin, formatNumber, formatSpeed } from '@/core/units';
import { msg } from '@/core/messages';
import { Press } from '@/view/shared';
import { useEditor, useUnderHand } from '@/view/workspace';
import { middleSpeed } from './fanSpeeds';
import { pointAhead, type Point } from './noiseRiseSheet';
import styles from './CoolingStage.module.css';

/** What a key changes the speed by, rpm. */
const KEY_STEPS: Readonly<Record<string, number>> = {
  ArrowRight: 10,
  ArrowUp: 10,
  ArrowLeft: -10,
  ArrowDown: -10,
  PageUp: 100,
  PageDown: -100,
};

interface Props {
  /** The curve of what there is, by speed. */
  readonly own: readonly Point[];
  readonly now: Point;
  /** Components whose speed it is. */
  readonly fans: readonly string[];
  readonly range: readonly [number, number];
  /** Where on the sheet a point stands, px; near its right end the words go to the left. */
  readonly place: (point: Point) => {
    readonly left: number;
    readonly top: number;
    readonly isAtEnd: boolean;
  };
  /** The speed under a pointer, rpm. */
  readonly speedAt: (clientX: number) => number;
  readonly onSpeed: (rpm: number) => void;
}

/**
 * The handle of the fan speed. It moves along the curve with the hand; what is said of it follows
 * when it is worked out.
 */
export function SpeedHandle({ own, now, fans, range, place, speedAt, onSpeed }: Props) {
  const hand = useUnderHand(now.speed_rpm);
  const asked_rpm = useEditor(({ latest, design }) =>
    latest === design ? null : middleSpeed(latest, fans),
  );
  const shown = asked_rpm === null ? now : pointAhead(own, now, asked_rpm);
  const { left, top, isAtEnd } = place(shown);
  return (
    <Press
      role="slider"
      className={styles.handle}
      data-at-end={isAtEnd || undefined}
      style={{ left, top }}
      aria-label={msg`Speed of all fans`}
      aria-valuemin={Math.round(range[0])}
      aria-valuemax={Math.round(range[1])}
      aria-valuenow={Math.round(now.speed_rpm)}
      aria-valuetext={msg`${formatSpeed(now.speed_rpm)}: ${formatKelvin(now.deltaT_K)},
        ${formatNumber(now.noise_dBA, { decimals: 1 })} dBA`}
      onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
      onPointerMove={(e) => {
        if (e.currentTarget.hasPointerCapture(e.pointerId)) onSpeed(speedAt(e.clientX));
      }}
      onKeyDown={(e) => {
        const by = KEY_STEPS[e.key];
        if (by === undefined) return;
        e.preventDefault();
        const next = Math.min(range[1], Math.max(range[0], hand.now() + by));
        hand.put(next);
        onSpeed(next);
      }}
    >
      <span className={styles.handleText}>{formatSpeed(shown.speed_rpm)}</span>
    </Press>
  );
}
