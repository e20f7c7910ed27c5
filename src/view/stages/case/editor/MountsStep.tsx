'use client';
import {
  axesOfMount,
  railsOf,
  type CaseDraft,
  type MountDraft,
  type RailAxis,
} from '@/core/measure';
import { Pick, Press } from '@/view/shared';
import { msg, worded } from '@/core/messages';
import { Section } from '../../frame/StageFrame';
import { FanRows } from './FanRows';
import { MeasureField } from './MeasureField';
import { EDGES, FACES, swap, Tick, without, type StepProps } from './stepParts';
import styles from './CaseEditor.module.css';

const RAIL_WORDS: Record<RailAxis, string> = worded(() => ({
  x: msg`along the case, rear to front`,
  y: msg`upright`,
  z: msg`across the case, tray to glass`,
}));
const main = () => msg`the main chamber`;

/** A mount that opens into a room, or into the main one again. */
function openingInto(draft: CaseDraft, i: number, name: string | undefined): CaseDraft {
  const { chamber: _chamber, ...mount } = draft.mounts[i] as MountDraft;
  const next: MountDraft = name === undefined ? mount : { ...mount, chamber: name };
  return { ...draft, mounts: swap(draft.mounts, i, next) };
}

const HOLES = worded(
  () =>
    [
      { value: 'rail', label: msg`one long slot` },
      { value: 'slots', label: msg`a slot for each fan` },
      { value: 'holes', label: msg`plain holes` },
    ] as const,
);
type HeldAs = (typeof HOLES)[number]['value'];
/** Slots as they are usual, mm either way (common practice, no source). */
const USUAL_SLOT_MM = 10;

function holesAs({ holes }: MountDraft): HeldAs {
  if (!holes) return 'rail';
  return holes.slots_mm > 0 ? 'slots' : 'holes';
}

function heldBy(draft: CaseDraft, i: number, as: HeldAs): CaseDraft {
  const { holes, ...mount } = draft.mounts[i] as MountDraft;
  const slots_mm = as === 'slots' ? USUAL_SLOT_MM : 0;
  const next: MountDraft = as === 'rail' ? mount : { ...mount, holes: { ...holes, slots_mm } };
  return { ...draft, mounts: swap(draft.mounts, i, next) };
}

/** Where the longest row of fans begins when it is in the middle of its rail, mm. */
function inTheMiddle({ fans, length_mm }: MountDraft): number {
  const longest = Math.max(0, ...fans.map((f) => f.size_mm * f.count));
  return Math.max(0, (length_mm - longest) / 2);
}

/** Where radiators and fans hang. */
export function MountsStep({ draft, set, says }: StepProps) {
  const { chambers = [] } = draft;
  const change = (i: number, values: Partial<MountDraft>): void =>
    set({
      ...draft,
      mounts: swap(draft.mounts, i, { ...(draft.mounts[i] as MountDraft), ...values }),
    });
  const add = (): void => {
    const face = FACES.find((f) => !draft.mounts.some((m) => m.face === f.value))?.value ?? 'top';
    set({
      ...draft,
      mounts: [
        ...draft.mounts,
        {
          face,
          start_mm: face === 'rear' ? Math.round(draft.interior[1] - 150) : 20,
          middle_mm: Math.round(draft.interior[face === 'side' ? 0 : 2] / 2),
          length_mm: face === 'rear' ? 130 : 290,
          fans: [{ size_mm: 120, count: face === 'rear' ? 1 : 2 }],
          holeGap_mm: 15,
          published_mm: 60,
          outside_mm: 0,
          filter: false,
        },
      ],
    });
  };
  return (
    <>
      {draft.mounts.map((m, i) => {
        const axes = axesOfMount(m);
        return (
          <Section
            key={i}
            title={msg`Mount ${i + 1}`}
            aside={
              <Press
                className={styles.quiet}
                onClick={() => set({ ...draft, mounts: without(draft.mounts, i) })}
              >
                {msg`Remove`}
              </Press>
            }
          >
            <Pick
              label={msg`On the`}
              value={m.face}
              options={FACES}
              onPick={(face) => change(i, { face, rail: railsOf(face)[0] as RailAxis })}
            />
            <Pick
              label={msg`Its rail runs`}
              value={(['x', 'y', 'z'] as const)[axes.rail]}
              options={railsOf(m.face).map((rail) => ({ value: rail, label: RAIL_WORDS[rail] }))}
              onPick={(rail) => change(i, { rail })}
            />
            <MeasureField
              label={msg`Rail starts, ${EDGES[axes.rail]}`}
              value={m.start_mm}
              onChange={(v) => change(i, { start_mm: v })}
            />
            <MeasureField
              label={msg`Room along the rail`}
              value={m.length_mm}
              trouble={says(`mounts.${i}.length_mm`)}
              onChange={(v) => change(i, { length_mm: v })}
            />
            <MeasureField
              label={msg`Middle of the fans, ${EDGES[axes.middle]}`}
              value={m.middle_mm}
              trouble={says(`mounts.${i}.middle_mm`)}
              onChange={(v) => change(i, { middle_mm: v })}
            />
            <MeasureField
              label={msg`Rails stand off the wall by`}
              value={m.off_mm ?? 0}
              onChange={(off_mm) => change(i, { off_mm })}
            />
            <FanRows
              fans={m.fans}
              trouble={says(`mounts.${i}.fans`)}
              onChange={(fans) => change(i, { fans })}
            />
            <MeasureField
              label={msg`Between the holes of neighbouring fans`}
              value={m.holeGap_mm}
              onChange={(v) => change(i, { holeGap_mm: v })}
            />
            <Pick
              label={msg`Screwed through`}
              value={holesAs(m)}
              options={HOLES}
              onPick={(as) => set(heldBy(draft, i, as))}
            />
            {m.holes && m.holes.slots_mm > 0 && (
              <MeasureField
                label={msg`Screws move in the slots, either way`}
                value={m.holes.slots_mm}
                onChange={(slots_mm) => change(i, { holes: { ...m.holes, slots_mm } })}
              />
            )}
            {m.holes && (
              <MeasureField
                label={msg`From the rail's start to the first fan`}
                value={m.holes.first_mm ?? inTheMiddle(m)}
                onChange={(first_mm) => change(i, { holes: { slots_mm: 0, ...m.holes, first_mm } })}
              />
            )}
            <MeasureField
              label={msg`Depth the maker allows`}
              value={m.published_mm}
              onChange={(v) => change(i, { published_mm: v })}
            />
            <MeasureField
              label={msg`Clearance outside the panel, under the cover`}
              value={m.outside_mm}
              onChange={(v) => change(i, { outside_mm: v })}
            />
            <Tick
              label={msg`with a dust filter`}
              checked={m.filter}
              onChange={(filter) => change(i, { filter })}
            />
            {chambers.length > 0 && (
              <Pick
                label={msg`Opens into`}
                value={m.chamber ?? main()}
                options={[main(), ...chambers].map((name) => ({ value: name, label: name }))}
                onPick={(name) => set(openingInto(draft, i, name === main() ? undefined : name))}
              />
            )}
          </Section>
        );
      })}
      <Press className={styles.quiet} onClick={add} disabled={draft.mounts.length >= 10}>
        {msg`Add a mount`}
      </Press>
    </>
  );
}
