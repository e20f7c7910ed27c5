'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { EVERY_LOAD_CASE, type LoadCaseId, CASE_NAMES } from '@/core/components';
import { formatNumber, formatShown, unitShown } from '@/core/units';
import type { BenchFault } from '@/devices/types';
import { designToText } from '@/format';
import { Pick, QuantityField, Check, Press } from '@/view/shared';
import { isMachine, isSettled, useEditor, type Devices } from '@/view/workspace';
import { msg, worded } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './LogStage.module.css';

const FAULT_WORDS: Readonly<Record<BenchFault, string>> = worded(() => ({
  leak: msg`a leak under air`,
  clog: msg`a clogged block`,
  air: msg`air in the loop`,
  dust: msg`dust in the radiators`,
  'dead fan': msg`a fan is stopped`,
  'bad mount': msg`the first block sits badly`,
  'wrong sensor': msg`the coolant thermometer reads 6 K too much`,
}));

/** What devices measure now, and what they may be told. */
export function DevicePanel({ devices }: { readonly devices: Devices }) {
  const design = useEditor((s) => s.design);
  const { connected, trouble, moment, past } = devices;
  const isHere = isMachine(devices, design.name);
  if (!connected)
    return (
      <Section title={msg`Devices`}>
        <p className="soft">
          {msg`${trouble ?? msg`Looking for devices.`} Readings can be typed or pasted all the
            same.`}
        </p>
      </Section>
    );
  return (
    <Section
      title={connected.standIn ? msg`Simulated devices` : msg`Devices`}
      aside={
        moment &&
        isHere && (
          <span className="soft">
            {isSettled(past) ? msg`settled` : msg`still moving`}, {clock(moment.time_s)}
          </span>
        )
      }
    >
      {connected.standIn && (
        <p className="soft">
          {msg`No real device: the build’s own model, a little off its papers, read with
            scatter. ${formatNumber(connected.pace)} s of it in one second.`}
        </p>
      )}
      {connected.standIn && (
        <Press className={styles.act} onClick={() => void devices.run(designToText(design))}>
          {isHere ? msg`Restart it` : msg`Switch this machine on`}
        </Press>
      )}
      {trouble !== null && (
        <p role="alert" className={styles.trouble}>
          {trouble}
        </p>
      )}
      {moment && isHere && (
        <Table className={styles.live}>
          <TableBody>
            {connected.channels.map((c) => (
              <TableRow key={c.id}>
                <TableCell component="th" scope="row">
                  {c.name}
                </TableCell>
                <TableCell className="num">{valueText(moment.values[c.id], c.unit)}</TableCell>
                <TableCell>{unitShown(c.unit)}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
      {moment && isHere && <Told devices={devices} faults={connected.faults} />}
    </Section>
  );
}

/** Load, speeds and what is put wrong. */
function Told({
  devices,
  faults,
}: {
  readonly devices: Devices;
  readonly faults: readonly BenchFault[];
}) {
  const load = devices.moment?.load ?? 'stress';
  const values = devices.moment?.values ?? {};
  const [wrong, setWrong] = useState<readonly BenchFault[]>([]);
  return (
    <>
      <div className={styles.inline}>
        <Pick
          label={msg`Load`}
          value={load as LoadCaseId}
          options={EVERY_LOAD_CASE.map((value) => ({ value, label: CASE_NAMES[value] }))}
          onPick={(value) => void devices.set({ load: value })}
        />
        {values.fans !== undefined && (
          <QuantityField
            label={msg`All fans`}
            value={values.fans}
            quantity="speed"
            min={0}
            max={20_000}
            onCommit={(v) => v !== null && void devices.set({ fans: v })}
          />
        )}
        {values.pumps !== undefined && (
          <QuantityField
            label={msg`All pumps`}
            value={values.pumps}
            quantity="speed"
            min={0}
            max={20_000}
            onCommit={(v) => v !== null && void devices.set({ pumps: v })}
          />
        )}
      </div>
      {faults.length > 0 && (
        <details className={styles.more}>
          <summary>{msg`Put something wrong, to see it found`}</summary>
          {faults.map((fault) => (
            <label key={fault} className={styles.fault}>
              <Check
                checked={wrong.includes(fault)}
                onChange={({ target: { checked } }) => {
                  const next = checked ? [...wrong, fault] : wrong.filter((f) => f !== fault);
                  setWrong(next);
                  void devices.befall(next);
                }}
              />{' '}
              {FAULT_WORDS[fault]}
            </label>
          ))}
        </details>
      )}
    </>
  );
}

const valueText = (value: number | undefined, unit: string): string => {
  if (value === undefined || !Number.isFinite(value)) return '–';
  const decimals = { 'L/min': 2, rpm: 0, mbar: 0 }[unit] ?? 1;
  return formatShown(value, unit, { decimals });
};

const clock = (seconds: number): string => {
  const minutes = Math.floor(seconds / 60);
  return msg`${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min on`;
};
