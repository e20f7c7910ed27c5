'use client';
import { Check, Press, rich } from '@/view/shared';
import { useEffect, useRef, useState } from 'react';
import type { AirReading } from '@/core/design';
import { formatMeasure } from '@/core/units';
import { designToText } from '@/format';
import { isMachine, useDevices, useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import styles from './AssemblyStage.module.css';

/** Between two looks that are noted by themselves, s of the machine. */
const EVERY_S = 120;

/** A gauge that is read live: noted by hand, or by itself every two minutes. Nothing without one. */
export function GaugeDevice({
  loop,
  limit_mbar,
  onAdd,
}: {
  readonly loop: string;
  readonly limit_mbar: number;
  onAdd(reading: AirReading): void;
}) {
  const design = useEditor((s) => s.design);
  const devices = useDevices(design.name);
  const { connected, moment } = devices;
  const [byItself, setByItself] = useState(false);
  const noted = useRef<{ readonly time_s: number; readonly began: number } | null>(null);
  const gauge = moment?.values[`gauge/${loop}`];
  const note = (): void => {
    if (!moment || gauge === undefined) return;
    const began = noted.current?.began ?? Date.now() - moment.time_s * 1000;
    noted.current = { time_s: moment.time_s, began };
    onAdd({
      on: new Date(began + moment.time_s * 1000).toISOString(),
      gauge_mbar: Math.round(gauge * 10) / 10,
      temp_C: Math.round((moment.values.room ?? design.brief.room_C) * 10) / 10,
    });
  };
  useEffect(() => {
    if (byItself && moment && moment.time_s - (noted.current?.time_s ?? -Infinity) >= EVERY_S)
      note();
  });
  if (!connected) return null;
  const isThere =
    isMachine(devices, design.name) && connected.channels.some((c) => c.id === `gauge/${loop}`);
  return (
    <div className={styles.inline}>
      {connected.standIn && !isThere && (
        <Press className={styles.link} onClick={() => void devices.run(designToText(design))}>
          {msg`Connect the simulated gauge`}
        </Press>
      )}
      {isThere && (
        <>
          <span role="status">
            {rich`Gauge now: ${(<strong>{formatMeasure(gauge, 'mbar', { decimals: 1 })}</strong>)}`}
          </span>
          {connected.standIn && (
            <Press
              className={styles.link}
              onClick={() => void devices.set({ gauge_mbar: Math.round(limit_mbar) })}
            >
              {msg`Pump up to ${formatMeasure(limit_mbar, 'mbar')}`}
            </Press>
          )}
          <Press className={styles.link} onClick={note}>
            {msg`Note what it shows`}
          </Press>
          <label>
            <Check checked={byItself} onChange={(e) => setByItself(e.target.checked)} />{' '}
            {msg`every two minutes by itself`}
          </label>
        </>
      )}
    </div>
  );
}
