'use client';
import { useState } from 'react';
import { EVERY_LOAD_CASE, type LoadCaseId, CASE_NAMES } from '@/core/components';
import type { Design, Reading } from '@/core/design';
import { quantityName, readingDoubts } from '@/core/log';
import { turningSpeed } from '@/core/components';
import { formatMeasure, formatSpeed } from '@/core/units';
import { Mark, Pick, QuantityField, Press, rich } from '@/view/shared';
import { isMachine, isSettled, meanOf, useEditor, type Devices } from '@/view/workspace';
import { msg, noted } from '@/core/messages';
import styles from './LogStage.module.css';

/** One state to bring the machine into, let settle, and read. */
interface Wanted {
  readonly load: LoadCaseId;
  readonly fans_rpm?: number;
  readonly pumps_rpm?: number;
  readonly tells: string;
}

/** Speeds this near to what was asked are that state, as a share. */
const NEAR = 0.06;

/** The guided hour: four settled states, read one after another. */
export function FirstHourView({ devices }: { readonly devices: Devices }) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const { readings = [] } = design.choices.work ?? {};
  const wanted = statesToRead(design);
  const next = wanted.findIndex((w) => !readings.some((r) => isState(r, w)));
  const { past } = devices;
  const moment = isMachine(devices, design.name) ? devices.moment : null;
  const note = (reading: Reading): void =>
    commit(msg`a reading of the machine`, { do: 'work.reading', on: reading.on, reading });
  return (
    <div className={styles.page}>
      <p className={styles.caution}>
        {rich`${(<strong>{msg`Stay with it for the first hour.`}</strong>)} Look for drops with
          a dry paper every ten minutes. Switch off and pull the plug when coolant passes 60 °C,
          when anything smells, or when the flow stops. Live parts and mains are for qualified
          people.`}
      </p>
      <ol className={styles.states}>
        {wanted.map((w, i) => {
          const isDone = readings.some((r) => isState(r, w));
          return (
            <li key={w.tells} data-next={i === next || undefined}>
              <Mark verdict={isDone ? 'ok' : 'unchecked'} />
              <div>
                <strong>
                  {noted(
                    CASE_NAMES[w.load],
                    w.fans_rpm !== undefined && msg`all fans at ${formatSpeed(w.fans_rpm)}`,
                    w.pumps_rpm !== undefined && msg`all pumps at ${formatSpeed(w.pumps_rpm)}`,
                    w.fans_rpm === undefined && w.pumps_rpm === undefined && msg`speeds as planned`,
                  )}
                </strong>
                <p className="soft">{w.tells}</p>
                {moment && !isDone && (
                  <div className={styles.inline}>
                    <Press
                      className={styles.link}
                      onClick={() =>
                        void devices.set({
                          load: w.load,
                          ...(w.fans_rpm === undefined ? {} : { fans: w.fans_rpm }),
                          ...(w.pumps_rpm === undefined ? {} : { pumps: w.pumps_rpm }),
                        })
                      }
                    >
                      {msg`Set the machine so`}
                    </Press>
                  </div>
                )}
              </div>
            </li>
          );
        })}
      </ol>
      {moment && (
        <p className={styles.inline}>
          <Press
            className={styles.act}
            disabled={!isSettled(past)}
            onClick={() => note(readingOf(devices, new Date().toISOString()))}
          >
            {msg`Take this reading`}
          </Press>
          <span className="soft" role="status">
            {isSettled(past)
              ? msg`The coolant has come to rest: the mean of the last minutes is taken.`
              : msg`Wait until the coolant moves no more: ten minutes within
                ${formatMeasure(0.2, 'K', { decimals: 1 })}.`}
          </span>
        </p>
      )}
      <ReadingForm key={readings.length} design={design} onNote={note} />
    </div>
  );
}

/** What is asked of fans beside what is planned: more, or less where they turn near their fastest. */
const OTHER_AIR = { more: 1.3, less: 0.7 } as const;
const LESS_FLOW = 0.7;

/** Four states that tell radiators, losses and blocks apart; fewer where no fan or pump can be told. */
function statesToRead(design: Design): readonly Wanted[] {
  const turning = (kind: 'fan' | 'pump') =>
    design.components.flatMap(({ part, settings }) =>
      (part.kind === 'fan' || part.kind === 'pump') && part.kind === kind
        ? [{ now: turningSpeed(part, settings.speed_rpm), most: part.fullSpeed_rpm }]
        : [],
    );
  const fifties = (v: number): number => Math.round(v / 50) * 50;
  const mean = (all: readonly { readonly now: number }[]): number =>
    all.reduce((s, { now }) => s + now, 0) / all.length;
  const fans = turning('fan'),
    pumps = turning('pump');
  const canMore = fans.every(({ most }) => OTHER_AIR.more * mean(fans) <= most);
  const fans_rpm = fifties(mean(fans) * (canMore ? OTHER_AIR.more : OTHER_AIR.less));
  const air = fans.length > 0 ? { fans_rpm } : {};
  const both = pumps.length > 0 ? { ...air, pumps_rpm: fifties(LESS_FLOW * mean(pumps)) } : air;
  return [
    {
      load: 'stress',
      tells: msg`Radiators and blocks at full heat: the state the brief asks about.`,
    },
    ...(fans.length > 0
      ? [
          {
            load: 'stress' as const,
            ...air,
            tells: msg`${canMore ? msg`More` : msg`Less`} air alone: tells radiators from what
              air the case lets in.`,
          },
        ]
      : []),
    ...(pumps.length > 0
      ? [
          {
            load: 'stress' as const,
            ...both,
            tells: msg`Less flow alone: shows the loop resistance.`,
          },
        ]
      : []),
    {
      load: 'gaming',
      ...both,
      tells: msg`Less heat: tells a wrong thermometer from a weak radiator.`,
    },
  ];
}

function isState(r: Reading, w: Wanted): boolean {
  const near = (a: number | undefined, b: number | undefined): boolean =>
    b === undefined || (a !== undefined && Math.abs(a / b - 1) < NEAR);
  return (
    r.load === w.load &&
    near(r.fans_rpm, w.fans_rpm) &&
    near(r.pumps_rpm, w.pumps_rpm) &&
    (w.fans_rpm !== undefined || r.fans_rpm === undefined)
  );
}

const tenths = (v: number): number => Math.round(v * 10) / 10;

/** What the devices show, as a reading. */
function readingOf({ past, moment }: Devices, on: string): Reading {
  const mean = meanOf(past);
  const group = (prefix: string, digits: number): Readonly<Record<string, number>> =>
    Object.fromEntries(
      Object.entries(mean).flatMap(([k, v]) =>
        k.startsWith(prefix) && Number.isFinite(v)
          ? [[k.slice(prefix.length), Math.round(v * 10 ** digits) / 10 ** digits] as const]
          : [],
      ),
    );
  const { fans, pumps } = moment?.asked ?? {};
  return {
    on,
    load: (moment?.load ?? 'stress') as LoadCaseId,
    room_C: tenths(mean.room ?? NaN),
    ...(fans === undefined ? {} : { fans_rpm: fans }),
    ...(pumps === undefined ? {} : { pumps_rpm: pumps }),
    coolant_C: group('coolant/', 1),
    flow_Lmin: group('flow/', 3),
    spots_C: group('spot/', 1),
    ...(mean.noise === undefined ? {} : { noise_dBA: tenths(mean.noise) }),
  };
}

type Figures = Readonly<Record<string, number>>;

/** A reading typed by hand, with what is doubtful in it said before it is kept. */
function ReadingForm({
  design,
  onNote,
}: {
  readonly design: Design;
  onNote(reading: Reading): void;
}) {
  const { heat } = useEditor((s) => s.analysis.reports);
  const [load, setLoad] = useState<LoadCaseId>('stress');
  const [room, setRoom] = useState<number>(design.brief.room_C);
  const [fans, setFans] = useState<number | null>(null);
  const [pumps, setPumps] = useState<number | null>(null);
  const [noise, setNoise] = useState<number | null>(null);
  const [coolant, setCoolant] = useState<Figures>({});
  const [flow, setFlow] = useState<Figures>({});
  const [spots, setSpots] = useState<Figures>({});
  const draft: Omit<Reading, 'on'> = {
    load,
    room_C: room,
    ...(fans === null ? {} : { fans_rpm: fans }),
    ...(pumps === null ? {} : { pumps_rpm: pumps }),
    ...(noise === null ? {} : { noise_dBA: noise }),
    ...(Object.keys(coolant).length > 0 ? { coolant_C: coolant } : {}),
    ...(Object.keys(flow).length > 0 ? { flow_Lmin: flow } : {}),
    ...(Object.keys(spots).length > 0 ? { spots_C: spots } : {}),
  };
  const doubts = readingDoubts(design, { ...draft, on: '' });
  const hasFigure = [coolant, flow, spots].some((f) => Object.keys(f).length > 0);
  const loops = design.loops.filter((l) => l.connections.length > 0);
  return (
    <section>
      <h2>{msg`Read by hand`}</h2>
      <p className="soft">
        {msg`The same thermometer for room and coolant: what it reads wrong cancels in the
          difference. Leave out what you cannot read.`}
      </p>
      <div className={styles.inline}>
        <Pick
          label={msg`Load`}
          value={load}
          options={EVERY_LOAD_CASE.map((value) => ({ value, label: CASE_NAMES[value] }))}
          onPick={setLoad}
        />
        <QuantityField
          label={msg`Room`}
          value={room}
          quantity="temperature"
          decimals={1}
          min={-20}
          max={60}
          onCommit={(v) => v !== null && setRoom(v)}
        />
        <QuantityField
          label={msg`All fans`}
          value={fans}
          quantity="speed"
          optional
          min={0}
          max={20_000}
          onCommit={setFans}
        />
        <QuantityField
          label={msg`All pumps`}
          value={pumps}
          quantity="speed"
          optional
          min={0}
          max={20_000}
          onCommit={setPumps}
        />
        <QuantityField
          label={msg`Noise`}
          value={noise}
          quantity="sound"
          decimals={1}
          optional
          min={0}
          max={120}
          onCommit={setNoise}
        />
      </div>
      <div className={styles.inline}>
        {loops.map((l) => (
          <QuantityField
            key={`c${l.id}`}
            label={loops.length > 1 ? msg`${l.name}: coolant` : msg`Coolant`}
            value={coolant[l.id] ?? null}
            quantity="temperature"
            decimals={1}
            optional
            min={-50}
            max={150}
            onCommit={(v) => setCoolant(withFigure(coolant, l.id, v))}
          />
        ))}
        {loops.map((l) => (
          <QuantityField
            key={`f${l.id}`}
            label={loops.length > 1 ? msg`${l.name}: flow` : msg`Flow`}
            value={flow[l.id] ?? null}
            quantity="flow"
            decimals={2}
            optional
            min={-100}
            max={100}
            onCommit={(v) => setFlow(withFigure(flow, l.id, v))}
          />
        ))}
        {heat.stress.hotSpots.map(({ component, hotSpot }) => {
          const of = `${component}/${hotSpot}`;
          return (
            <QuantityField
              key={of}
              label={quantityName(design, { kind: 'spot', of })}
              value={spots[of] ?? null}
              quantity="temperature"
              decimals={1}
              optional
              min={-50}
              max={150}
              onCommit={(v) => setSpots(withFigure(spots, of, v))}
            />
          );
        })}
      </div>
      {doubts.length > 0 && (
        <ul role="alert" className={styles.trouble}>
          {doubts.map((d) => (
            <li key={d}>{d}</li>
          ))}
        </ul>
      )}
      <Press
        className={styles.act}
        disabled={!hasFigure}
        onClick={() => onNote({ ...draft, on: new Date().toISOString() })}
      >
        {doubts.length > 0 ? msg`Note it all the same` : msg`Note this reading`}
      </Press>
    </section>
  );
}

function withFigure(all: Figures, key: string, value: number | null): Figures {
  const { [key]: _old, ...rest } = all;
  return value === null ? rest : { ...rest, [key]: value };
}
