'use client';
import { Press } from '@/view/shared';
import type { CaseDraft } from '@/core/measure';
import { msg } from '@/core/messages';
import { Section } from '../../frame/StageFrame';
import { MeasureField } from './MeasureField';
import { Name, swap, Tick, without, type StepProps } from './stepParts';
import styles from './CaseEditor.module.css';

const ROOM_BEHIND = 'Clearance behind the tray';

/** The room behind the tray as a room of its own stands last of them. */
const withRoomBehind = (draft: CaseDraft, apart: boolean): CaseDraft => {
  const { chambers = [], behindApart } = draft;
  const others = behindApart ? chambers.slice(0, -1) : chambers;
  return { ...draft, behindApart: apart, chambers: apart ? [...others, ROOM_BEHIND] : others };
};

/** Holes in the tray that cables pass, and tubes may. */
export function TrayOpenings({ draft, set, says }: StepProps) {
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
      title={msg`Openings in the tray`}
      aside={
        <Press
          className={styles.quiet}
          disabled={draft.openings.length >= 12}
          onClick={() =>
            set({
              ...draft,
              openings: [
                ...draft.openings,
                {
                  name: msg`Opening ${draft.openings.length + 1}`,
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
          {msg`Add an opening`}
        </Press>
      }
    >
      {draft.openings.length === 0 && (
        <p className="soft">
          {msg`Cables pass them, and tubes that run behind the tray. Leave them out if you have
            none beside the board.`}
        </p>
      )}
      <MeasureField
        label={'Clearance behind the tray'}
        value={draft.behind_mm}
        trouble={says('behind_mm')}
        onChange={(behind_mm) => set({ ...draft, behind_mm })}
      />
      <Tick
        label={msg`parts are mounted there, in air of their own`}
        checked={draft.behindApart === true}
        onChange={(apart) => set(withRoomBehind(draft, apart))}
      />
      {draft.openings.map((o, i) => (
        <div key={i}>
          <Name
            label={msg`Name`}
            value={o.name}
            onChange={(name) => change(i, { name })}
            trouble={says(`openings.${i}.name`)}
          />
          <div className={styles.pair}>
            <MeasureField
              label={msg`Its middle, from the rear panel`}
              value={o.x_mm}
              trouble={says(`openings.${i}.x_mm`)}
              onChange={(x_mm) => change(i, { x_mm })}
            />
            <MeasureField
              label={msg`Its middle, from the floor`}
              value={o.y_mm}
              trouble={says(`openings.${i}.y_mm`)}
              onChange={(y_mm) => change(i, { y_mm })}
            />
            <MeasureField
              label={msg`Width of it`}
              value={o.width_mm}
              trouble={says(`openings.${i}.width_mm`)}
              onChange={(width_mm) => change(i, { width_mm })}
            />
            <MeasureField
              label={msg`Height of it`}
              value={o.height_mm}
              trouble={says(`openings.${i}.height_mm`)}
              onChange={(height_mm) => change(i, { height_mm })}
            />
          </div>
          <Press
            className={styles.quiet}
            onClick={() => set({ ...draft, openings: without(draft.openings, i) })}
          >
            {msg`Remove ${o.name || msg`it`}`}
          </Press>
        </div>
      ))}
    </Section>
  );
}
