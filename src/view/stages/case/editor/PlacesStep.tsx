'use client';
import type { CaseDraft, PortDraft } from '@/core/measure';
import type { MountFace } from '@/core/components';
import { Pick, Check, Press } from '@/view/shared';
import { msg } from '@/core/messages';
import { Section } from '../../frame/StageFrame';
import { MeasureField } from './MeasureField';
import { EDGES, FACES, Name, put, Quiet, swap, without, type StepProps } from './stepParts';
import styles from './CaseEditor.module.css';

/** Places for pumps and reservoirs, and ways out for tubes. */
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
          {msg`Places made for a pump or reservoir: measure to the middle of its foot. None is
            needed: both may be free-standing on a bracket.`}
        </p>
      )}
      {draft.spots.map((s, i) => (
        <Section
          key={i}
          title={s.name || msg`Place ${i + 1}`}
          aside={
            <Press
              className={styles.quiet}
              onClick={() => set({ ...draft, spots: without(draft.spots, i) })}
            >
              {msg`Remove`}
            </Press>
          }
        >
          <Name
            label={msg`Name`}
            value={s.name}
            onChange={(name) => change(i, { name })}
            trouble={says(`spots.${i}.name`)}
          />
          {EDGES.map((edge, k) => (
            <MeasureField
              key={edge}
              label={msg`Middle of the foot, ${edge}`}
              value={s.at[k] as number}
              trouble={says(`spots.${i}.at.${k}`)}
              onChange={(v) => change(i, { at: put(s.at, k, v) })}
            />
          ))}
          <label className={styles.check}>
            <Check
              checked={s.holes !== null}
              onChange={(e) =>
                change(i, { holes: e.target.checked ? { x_mm: 80, z_mm: 80 } : null })
              }
            />{' '}
            {msg`it has screw holes`}
          </label>
          {s.holes && (
            <div className={styles.pair}>
              <MeasureField
                label={msg`Holes apart, along the case`}
                value={s.holes.x_mm}
                onChange={(v) => change(i, { holes: { x_mm: v, z_mm: s.holes?.z_mm ?? v } })}
              />
              <MeasureField
                label={msg`Holes apart, across`}
                value={s.holes.z_mm}
                onChange={(v) => change(i, { holes: { x_mm: s.holes?.x_mm ?? v, z_mm: v } })}
              />
            </div>
          )}
        </Section>
      ))}
      <Press
        className={styles.quiet}
        disabled={draft.spots.length >= 10}
        onClick={() =>
          set({
            ...draft,
            spots: [
              ...draft.spots,
              {
                name: msg`Floor`,
                at: [Math.round(draft.interior[0] * 0.75), 2, Math.round(draft.interior[2] / 2)],
                holes: null,
              },
            ],
          })
        }
      >
        {msg`Add a place`}
      </Press>
      <TubeHoles draft={draft} set={set} says={says} />
    </>
  );
}

/** Which two edges an opening in a wall is measured from. */
const WALL_EDGES = (face: MountFace): readonly [string, string] => {
  if (face === 'front' || face === 'rear') return [EDGES[1], EDGES[2]];
  return face === 'side' || face === 'tray' ? [EDGES[0], EDGES[1]] : [EDGES[0], EDGES[2]];
};

/** Holes in the walls that a pass-through goes into: for a radiator outside. */
function TubeHoles({ draft, set, says }: StepProps) {
  const { ports = [] } = draft;
  const change = (i: number, values: Partial<PortDraft>): void =>
    set({ ...draft, ports: swap(ports, i, { ...(ports[i] as PortDraft), ...values }) });
  return (
    <Section title={msg`Tube holes in the walls`}>
      {ports.length === 0 && (
        <p className="soft">
          {msg`For a pass-through: tubes to a radiator outside leave by one and come back by
            another.`}
        </p>
      )}
      {ports.map((p, i) => {
        const [first, second] = WALL_EDGES(p.face);
        return (
          <div key={i}>
            <Name
              label={msg`Name`}
              value={p.name}
              onChange={(name) => change(i, { name })}
              trouble={says(`ports.${i}.name`)}
            />
            <Pick
              label={msg`In the`}
              value={p.face}
              options={FACES}
              onPick={(face) => change(i, { face })}
            />
            <div className={styles.pair}>
              <MeasureField
                label={msg`Its middle, ${first}`}
                value={p.first_mm}
                trouble={says(`ports.${i}.first_mm`)}
                onChange={(first_mm) => change(i, { first_mm })}
              />
              <MeasureField
                label={msg`Its middle, ${second}`}
                value={p.second_mm}
                trouble={says(`ports.${i}.second_mm`)}
                onChange={(second_mm) => change(i, { second_mm })}
              />
            </div>
            <MeasureField
              label={msg`Width of the hole`}
              value={p.hole_mm}
              trouble={says(`ports.${i}.hole_mm`)}
              onChange={(hole_mm) => change(i, { hole_mm })}
            />
            <Quiet
              label={msg`Remove ${p.name || msg`it`}`}
              onClick={() => set({ ...draft, ports: without(ports, i) })}
            />
          </div>
        );
      })}
      <Quiet
        label={msg`Add a tube hole`}
        disabled={ports.length >= 12}
        onClick={() =>
          set({
            ...draft,
            ports: [
              ...ports,
              {
                name: msg`Tube hole ${ports.length + 1}`,
                face: 'rear',
                first_mm: Math.round(draft.interior[1] - 30),
                second_mm: Math.min(draft.interior[2] - 15, 60 + 45 * ports.length),
                hole_mm: 20,
              },
            ],
          })
        }
      />
    </Section>
  );
}
