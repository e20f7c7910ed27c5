'use client';
import type { CaseDraft, MountDraft } from '@/core/measure';
import { BOARD_STANDARDS, type MountFace } from '@/core/components';
import type { Vec } from '@/core/geometry';
import { Pick } from '@/view/shared';
import { Section } from '../../frame/StageFrame';
import { FanRows } from './FanRows';
import { MeasureField } from './MeasureField';
import styles from './CaseEditor.module.css';

export interface StepProps {
  readonly draft: CaseDraft;
  set(draft: CaseDraft): void;
  /** What is wrong at a place of the draft, if anything. */
  says(place: string): string | undefined;
}

const put = (v: Vec, i: number, to: number): Vec =>
  v.map((x, k) => (k === i ? to : x)) as unknown as Vec;
const swap = <T,>(list: readonly T[], i: number, to: T): readonly T[] =>
  list.map((x, k) => (k === i ? to : x));
const without = <T,>(list: readonly T[], i: number): readonly T[] => list.filter((_, k) => k !== i);
const EDGES = ['from the rear panel', 'from the floor', 'from the tray'] as const;

function Name({
  label,
  value,
  onChange,
  trouble,
}: {
  readonly label: string;
  readonly value: string;
  readonly onChange: (v: string) => void;
  readonly trouble?: string | undefined;
}) {
  return (
    <label className={styles.name}>
      {label}{' '}
      <input
        value={value}
        maxLength={60}
        onChange={(e) => onChange(e.target.value)}
        onKeyDown={(e) => e.stopPropagation()}
        aria-invalid={trouble !== undefined}
      />
      {trouble && (
        <span role="alert" className={styles.trouble}>
          {trouble}
        </span>
      )}
    </label>
  );
}

export function InsideStep({ draft, set, says }: StepProps) {
  return (
    <Section title="Inside">
      <p className="soft">
        Take the side panel off. Measure free room between the sheets, not the outside: cages and
        shrouds come later.
      </p>
      <Name
        label="Called"
        value={draft.name}
        onChange={(name) => set({ ...draft, name })}
        trouble={says('name')}
      />
      {['Rear panel to front frame', 'Floor to top frame', 'Board tray to side panel'].map(
        (label, i) => (
          <MeasureField
            key={label}
            label={label}
            value={draft.interior[i] as number}
            trouble={says(`interior.${i}`)}
            onChange={(v) => set({ ...draft, interior: put(draft.interior, i, v) })}
          />
        ),
      )}
      {(
        [
          ['side_mm', 'Thickness of the side panel'],
          ['frame_mm', 'Thickness of the frame radiators hang on'],
          ['tray_mm', 'Thickness of the board tray'],
        ] as const
      ).map(([key, label]) => (
        <MeasureField
          key={key}
          label={label}
          value={draft[key]}
          trouble={says(key)}
          onChange={(v) => set({ ...draft, [key]: v })}
        />
      ))}
    </Section>
  );
}

export function BoardStep({ draft, set, says }: StepProps) {
  return (
    <>
      <Section title="Board">
        <p className="soft">
          The rearmost lower stand-off shows where the board sits. With the board in, measure to its
          lower rear corner.
        </p>
        <Pick
          label="Largest board it takes"
          value={draft.standard}
          options={BOARD_STANDARDS.map((s) => ({ value: s.name, label: s.name }))}
          onPick={(standard) => set({ ...draft, standard })}
        />
        {[
          'Its rear edge from the rear panel',
          'Its lower edge from the floor',
          'Its back from the tray (stand-off)',
        ].map((label, i) => (
          <MeasureField
            key={label}
            label={label}
            value={draft.boardAt[i] as number}
            trouble={says(`boardAt.${i}`)}
            onChange={(v) => set({ ...draft, boardAt: put(draft.boardAt, i, v) })}
          />
        ))}
      </Section>
      <Section title="Supply bay">
        <BoxFields place="bay" box={draft.bay} set={(bay) => set({ ...draft, bay })} says={says} />
      </Section>
      <Openings draft={draft} set={set} says={says} />
    </>
  );
}

/** Holes in the tray that cables pass, and tubes may. */
function Openings({ draft, set, says }: StepProps) {
  const change = (i: number, values: Partial<CaseDraft['openings'][number]>): void =>
    set({
      ...draft,
      openings: swap(draft.openings, i, {
        ...(draft.openings[i] as CaseDraft['openings'][number]),
        ...values,
      }),
    });
  return (
    <Section
      title="Openings in the tray"
      aside={
        <button
          type="button"
          className={styles.quiet}
          disabled={draft.openings.length >= 12}
          onClick={() =>
            set({
              ...draft,
              openings: [
                ...draft.openings,
                {
                  name: `Opening ${draft.openings.length + 1}`,
                  x_mm: Math.min(draft.interior[0] - 30, draft.boardAt[0] + 262),
                  y_mm: Math.round(
                    draft.interior[1] * (draft.openings.length % 2 === 0 ? 0.5 : 0.75),
                  ),
                  width_mm: 36,
                  height_mm: 70,
                },
              ],
            })
          }
        >
          Add an opening
        </button>
      }
    >
      {draft.openings.length === 0 && (
        <p className="soft">
          Cables pass them, and tubes that run behind the tray. Leave them out if you have none
          beside the board.
        </p>
      )}
      <MeasureField
        label="Room behind the tray"
        value={draft.behind_mm}
        trouble={says('behind_mm')}
        onChange={(behind_mm) => set({ ...draft, behind_mm })}
      />
      {draft.openings.map((o, i) => (
        <div key={i}>
          <Name
            label="Called"
            value={o.name}
            onChange={(name) => change(i, { name })}
            trouble={says(`openings.${i}.name`)}
          />
          <div className={styles.pair}>
            <MeasureField
              label="Its middle, from the rear panel"
              value={o.x_mm}
              trouble={says(`openings.${i}.x_mm`)}
              onChange={(x_mm) => change(i, { x_mm })}
            />
            <MeasureField
              label="Its middle, from the floor"
              value={o.y_mm}
              trouble={says(`openings.${i}.y_mm`)}
              onChange={(y_mm) => change(i, { y_mm })}
            />
            <MeasureField
              label="Width of it"
              value={o.width_mm}
              trouble={says(`openings.${i}.width_mm`)}
              onChange={(width_mm) => change(i, { width_mm })}
            />
            <MeasureField
              label="Height of it"
              value={o.height_mm}
              trouble={says(`openings.${i}.height_mm`)}
              onChange={(height_mm) => change(i, { height_mm })}
            />
          </div>
          <button
            type="button"
            className={styles.quiet}
            onClick={() => set({ ...draft, openings: without(draft.openings, i) })}
          >
            Remove {o.name || 'it'}
          </button>
        </div>
      ))}
    </Section>
  );
}

function BoxFields({
  place,
  box,
  set,
  says,
}: {
  readonly place: string;
  readonly box: { readonly min: Vec; readonly max: Vec };
  set(box: { readonly min: Vec; readonly max: Vec }): void;
  says(place: string): string | undefined;
}) {
  return (
    <div>
      {EDGES.map((edge, i) => (
        <div key={edge} className={styles.pair}>
          <MeasureField
            label={`Starts, ${edge}`}
            value={box.min[i] as number}
            onChange={(v) => set({ ...box, min: put(box.min, i, v) })}
          />
          <MeasureField
            label={`Ends, ${edge}`}
            value={box.max[i] as number}
            trouble={says(`${place}.max.${i}`)}
            onChange={(v) => set({ ...box, max: put(box.max, i, v) })}
          />
        </div>
      ))}
    </div>
  );
}

const FACES: readonly { readonly value: MountFace; readonly label: string }[] = [
  { value: 'front', label: 'front' },
  { value: 'top', label: 'top' },
  { value: 'bottom', label: 'floor' },
  { value: 'rear', label: 'rear' },
  { value: 'side', label: 'side' },
];

export function MountsStep({ draft, set, says }: StepProps) {
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
        const long = m.face === 'top' || m.face === 'bottom';
        return (
          <Section
            key={i}
            title={`Mount ${i + 1}`}
            aside={
              <button
                type="button"
                className={styles.quiet}
                onClick={() => set({ ...draft, mounts: without(draft.mounts, i) })}
              >
                Remove
              </button>
            }
          >
            <Pick
              label="On the"
              value={m.face}
              options={FACES}
              onPick={(face) => change(i, { face })}
            />
            <MeasureField
              label={long ? 'Rail starts, from the rear panel' : 'Rail starts, from the floor'}
              value={m.start_mm}
              onChange={(v) => change(i, { start_mm: v })}
            />
            <MeasureField
              label="Room along the rail"
              value={m.length_mm}
              trouble={says(`mounts.${i}.length_mm`)}
              onChange={(v) => change(i, { length_mm: v })}
            />
            <MeasureField
              label={
                m.face === 'side'
                  ? 'Middle of the fans, from the rear panel'
                  : 'Middle of the fans, from the tray'
              }
              value={m.middle_mm}
              trouble={says(`mounts.${i}.middle_mm`)}
              onChange={(v) => change(i, { middle_mm: v })}
            />
            <FanRows
              fans={m.fans}
              trouble={says(`mounts.${i}.fans`)}
              onChange={(fans) => change(i, { fans })}
            />
            <MeasureField
              label="Between the holes of neighbouring fans"
              value={m.holeGap_mm}
              onChange={(v) => change(i, { holeGap_mm: v })}
            />
            <MeasureField
              label="Depth the maker allows"
              value={m.published_mm}
              onChange={(v) => change(i, { published_mm: v })}
            />
            <MeasureField
              label="Room outside the frame, under the cover"
              value={m.outside_mm}
              onChange={(v) => change(i, { outside_mm: v })}
            />
            <label className={styles.check}>
              <input
                type="checkbox"
                checked={m.filter}
                onChange={(e) => change(i, { filter: e.target.checked })}
              />{' '}
              with a dust filter
            </label>
          </Section>
        );
      })}
      <button
        type="button"
        className={styles.quiet}
        onClick={add}
        disabled={draft.mounts.length >= 10}
      >
        Add a mount
      </button>
    </>
  );
}

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
          Shroud, drive cage, bracket, handle: whatever a radiator or hand could meet. None yet.
        </p>
      )}
      {draft.obstacles.map((o, i) => (
        <Section
          key={i}
          title={o.name || `Cage ${i + 1}`}
          aside={
            <button
              type="button"
              className={styles.quiet}
              onClick={() => set({ ...draft, obstacles: without(draft.obstacles, i) })}
            >
              Remove
            </button>
          }
        >
          <Name
            label="Called"
            value={o.name}
            onChange={(name) => change(i, { name })}
            trouble={says(`obstacles.${i}.name`)}
          />
          <BoxFields place={`obstacles.${i}`} box={o} set={(box) => change(i, box)} says={says} />
          <label className={styles.check}>
            <input
              type="checkbox"
              checked={o.removable}
              onChange={(e) => change(i, { removable: e.target.checked })}
            />{' '}
            it can be taken out
          </label>
        </Section>
      ))}
      <button
        type="button"
        className={styles.quiet}
        disabled={draft.obstacles.length >= 20}
        onClick={() =>
          set({
            ...draft,
            obstacles: [
              ...draft.obstacles,
              {
                name: draft.obstacles.length === 0 ? 'Supply shroud' : 'Drive cage',
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
        Add a cage or shroud
      </button>
    </>
  );
}

export function PlacesStep({ draft, set, says }: StepProps) {
  const change = (i: number, values: Partial<CaseDraft['spots'][number]>): void =>
    set({
      ...draft,
      spots: swap(draft.spots, i, { ...(draft.spots[i] as CaseDraft['spots'][number]), ...values }),
    });
  return (
    <>
      {draft.spots.length === 0 && (
        <p className="soft">
          Places made for a pump or reservoir: measure to the middle of its foot. None is needed:
          both may stand anywhere on a bracket.
        </p>
      )}
      {draft.spots.map((s, i) => (
        <Section
          key={i}
          title={s.name || `Place ${i + 1}`}
          aside={
            <button
              type="button"
              className={styles.quiet}
              onClick={() => set({ ...draft, spots: without(draft.spots, i) })}
            >
              Remove
            </button>
          }
        >
          <Name
            label="Called"
            value={s.name}
            onChange={(name) => change(i, { name })}
            trouble={says(`spots.${i}.name`)}
          />
          {EDGES.map((edge, k) => (
            <MeasureField
              key={edge}
              label={`Middle of the foot, ${edge}`}
              value={s.at[k] as number}
              trouble={says(`spots.${i}.at.${k}`)}
              onChange={(v) => change(i, { at: put(s.at, k, v) })}
            />
          ))}
          <label className={styles.check}>
            <input
              type="checkbox"
              checked={s.holes !== null}
              onChange={(e) =>
                change(i, { holes: e.target.checked ? { x_mm: 80, z_mm: 80 } : null })
              }
            />{' '}
            it has screw holes
          </label>
          {s.holes && (
            <div className={styles.pair}>
              <MeasureField
                label="Holes apart, along the case"
                value={s.holes.x_mm}
                onChange={(v) => change(i, { holes: { x_mm: v, z_mm: s.holes?.z_mm ?? v } })}
              />
              <MeasureField
                label="Holes apart, across"
                value={s.holes.z_mm}
                onChange={(v) => change(i, { holes: { x_mm: s.holes?.x_mm ?? v, z_mm: v } })}
              />
            </div>
          )}
        </Section>
      ))}
      <button
        type="button"
        className={styles.quiet}
        disabled={draft.spots.length >= 10}
        onClick={() =>
          set({
            ...draft,
            spots: [
              ...draft.spots,
              {
                name: 'Floor',
                at: [Math.round(draft.interior[0] * 0.75), 2, Math.round(draft.interior[2] / 2)],
                holes: null,
              },
            ],
          })
        }
      >
        Add a place
      </button>
    </>
  );
}
