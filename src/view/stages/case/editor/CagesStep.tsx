'use client';
import type { CaseDraft, ObstacleDraft } from '@/core/measure';
import { DRIVE_FORMATS } from '@/core/components';
import type { Box } from '@/core/geometry';
import { Pick, Press } from '@/view/shared';
import { msg } from '@/core/messages';
import { Section } from '../../frame/StageFrame';
import { MeasureField } from './MeasureField';
import {
  BoxFields,
  EDGES,
  Name,
  put,
  Quiet,
  swap,
  Tick,
  without,
  type StepProps,
} from './stepParts';
import styles from './CaseEditor.module.css';

/** What stands in the way in the case, and which rooms it parts. */
export function CagesStep({ draft, set, says }: StepProps) {
  const change = (i: number, values: Partial<CaseDraft['obstacles'][number]>): void =>
    set({
      ...draft,
      obstacles: swap(draft.obstacles, i, {
        ...(draft.obstacles[i] as CaseDraft['obstacles'][number]),
        ...values,
      }),
    });
  return (
    <>
      {draft.obstacles.length === 0 && (
        <p className="soft">
          {msg`Shroud, drive cage, bracket, handle: whatever a radiator or hand could meet. None
            yet.`}
        </p>
      )}
      {draft.obstacles.map((o, i) => (
        <Section
          key={i}
          title={o.name || msg`Cage ${i + 1}`}
          aside={
            <Press
              className={styles.quiet}
              onClick={() => set({ ...draft, obstacles: without(draft.obstacles, i) })}
            >
              {msg`Remove`}
            </Press>
          }
        >
          <Name
            label={msg`Name`}
            value={o.name}
            onChange={(name) => change(i, { name })}
            trouble={says(`obstacles.${i}.name`)}
          />
          <BoxFields place={`obstacles.${i}`} box={o} set={(box) => change(i, box)} says={says} />
          <Tick
            label={msg`it can be taken out`}
            checked={o.removable}
            onChange={(removable) => change(i, { removable })}
          />
          <DrivePlaces obstacle={o} set={(drives) => set(withDrives(draft, i, drives))} />
          <CutOuts obstacle={o} set={(openings) => change(i, { openings })} />
        </Section>
      ))}
      <Press
        className={styles.quiet}
        disabled={draft.obstacles.length >= 20}
        onClick={() =>
          set({
            ...draft,
            obstacles: [
              ...draft.obstacles,
              {
                name: draft.obstacles.length === 0 ? msg`Supply shroud` : msg`Drive cage`,
                removable: draft.obstacles.length > 0,
                min: draft.obstacles.length === 0 ? [0, 96, 0] : [210, 2, 20],
                max:
                  draft.obstacles.length === 0
                    ? [Math.round(draft.interior[0] - 70), 98, draft.interior[2]]
                    : [330, 92, 170],
              },
            ],
          })
        }
      >
        {msg`Add a cage or shroud`}
      </Press>
      {draft.behind_mm > 0 && (
        <Press
          className={styles.quiet}
          disabled={draft.obstacles.length >= 20}
          onClick={() => set({ ...draft, obstacles: [...draft.obstacles, cablesBehind(draft)] })}
        >
          {msg`Add the cables behind the tray`}
        </Press>
      )}
      <RoomsOfTheirOwn draft={draft} set={set} says={says} />
    </>
  );
}

/** Where cables lie behind a tray: along the board's front edge, from the floor to the top. */
function cablesBehind({ interior, behind_mm, tray_mm, boardAt }: CaseDraft): ObstacleDraft {
  const [x, y] = interior;
  const starts = Math.min(x - CABLES_WIDE_MM, boardAt[0] + BOARD_WIDE_MM);
  return {
    name: msg`Cables behind the tray`,
    removable: false,
    min: [Math.round(starts), 20, -Math.round(tray_mm + behind_mm - 2)],
    max: [Math.round(starts + CABLES_WIDE_MM), Math.round(y - 20), -Math.round(tray_mm + 1)],
  };
}
/** As wide as cables lie (common practice), and from an ATX board's rear edge to its front. */
const CABLES_WIDE_MM = 80,
  BOARD_WIDE_MM = 244;

function withDrives(
  draft: CaseDraft,
  i: number,
  drives: ObstacleDraft['drives'] | undefined,
): CaseDraft {
  const { drives: _was, ...cage } = draft.obstacles[i] as ObstacleDraft;
  const next: ObstacleDraft = drives ? { ...cage, drives } : cage;
  return { ...draft, obstacles: swap(draft.obstacles, i, next) };
}

const PLACES = Array.from({ length: 12 }, (_, i) => ({
  value: String(i + 1),
  label: String(i + 1),
}));

/** Which drives a cage takes, and how many one above the other. */
function DrivePlaces({
  obstacle: { name, drives },
  set,
}: {
  readonly obstacle: ObstacleDraft;
  set(drives: ObstacleDraft['drives'] | undefined): void;
}) {
  return (
    <div className={styles.pair}>
      <Pick
        label={msg`Drives in ${name || msg`it`}`}
        value={drives?.format ?? 'none'}
        options={[
          { value: 'none', label: msg`none` },
          ...DRIVE_FORMATS.map((value) => ({ value, label: value })),
        ]}
        onPick={(format) =>
          set(format === 'none' ? undefined : { format, places: drives?.places ?? 2 })
        }
      />
      {drives && (
        <Pick
          label={msg`Places in ${name || msg`it`}`}
          value={String(drives.places)}
          options={PLACES}
          onPick={(n) => set({ ...drives, places: Number(n) })}
        />
      )}
    </div>
  );
}

/** The two ways across a sheet: its thinnest is left out. */
function acrossOf({ min, max }: Box): readonly (0 | 1 | 2)[] {
  const thick = ([0, 1, 2] as const).map((i) => max[i] - min[i]);
  const thinnest = thick.indexOf(Math.min(...thick));
  return ([0, 1, 2] as const).filter((i) => i !== thinnest);
}

/** Openings cut through a shroud or partition. */
function CutOuts({
  obstacle,
  set,
}: {
  readonly obstacle: ObstacleDraft;
  set(openings: readonly Box[]): void;
}) {
  const { openings = [] } = obstacle;
  const across = acrossOf(obstacle);
  const middle = (): Box => {
    const at = (share: number) =>
      ([0, 1, 2] as const).map((i) =>
        across.includes(i)
          ? Math.round(obstacle.min[i] + share * (obstacle.max[i] - obstacle.min[i]))
          : obstacle[share < 0.5 ? 'min' : 'max'][i],
      ) as unknown as Box['min'];
    return { min: at(0.4), max: at(0.6) };
  };
  return (
    <>
      {openings.map((o, k) => (
        <div key={k}>
          {across.map((i) => (
            <div key={i} className={styles.pair}>
              <MeasureField
                label={msg`Opening ${k + 1} starts, ${EDGES[i]}`}
                value={o.min[i]}
                onChange={(v) => set(swap(openings, k, { ...o, min: put(o.min, i, v) }))}
              />
              <MeasureField
                label={msg`Opening ${k + 1} ends, ${EDGES[i]}`}
                value={o.max[i]}
                onChange={(v) => set(swap(openings, k, { ...o, max: put(o.max, i, v) }))}
              />
            </div>
          ))}
          <Quiet label={msg`Close opening ${k + 1}`} onClick={() => set(without(openings, k))} />
        </div>
      ))}
      <Quiet
        label={msg`Cut an opening into ${obstacle.name || msg`it`}`}
        disabled={openings.length >= 8}
        onClick={() => set([...openings, middle()])}
      />
    </>
  );
}

/** A basement, a closed-off side: rooms with air of their own, that mounts may open into. */
function RoomsOfTheirOwn({ draft, set, says }: StepProps) {
  const { chambers = [], behindApart } = draft;
  const asked = behindApart ? chambers.slice(0, -1) : chambers;
  const behind = behindApart ? chambers.slice(-1) : [];
  const rename = (i: number, name: string): CaseDraft => ({
    ...draft,
    chambers: [...swap(asked, i, name), ...behind],
    mounts: draft.mounts.map((m) => (m.chamber === asked[i] ? { ...m, chamber: name } : m)),
  });
  const drop = (i: number): CaseDraft => ({
    ...draft,
    chambers: [...without(asked, i), ...behind],
    mounts: draft.mounts.map((m) => {
      const { chamber, ...rest } = m;
      return chamber === asked[i] ? rest : m;
    }),
  });
  return (
    <Section title={msg`Chambers of their own`}>
      <p className="soft">
        {msg`A basement or a side that is closed off: what is mounted there has its own air.
          Vents between chambers are listed under Cooling.`}
      </p>
      {asked.map((name, i) => (
        <div key={i}>
          <Name
            label={msg`Name`}
            value={name}
            onChange={(to) => set(rename(i, to))}
            trouble={says(`chambers.${i}`)}
          />
          <Quiet label={msg`Remove ${name || msg`it`}`} onClick={() => set(drop(i))} />
        </div>
      ))}
      <Quiet
        label={msg`Add a chamber`}
        disabled={chambers.length >= 4}
        onClick={() =>
          set({
            ...draft,
            chambers: [
              ...asked,
              asked.length === 0 ? msg`Basement` : msg`Room ${asked.length + 1}`,
              ...behind,
            ],
          })
        }
      />
    </Section>
  );
}
