'use client';
import type { CaseDraft } from '@/core/measure';
import { BOARD_STANDARDS } from '@/core/components';
import { Pick } from '@/view/shared';
import { msg } from '@/core/messages';
import { Section } from '../../frame/StageFrame';
import { MeasureField } from './MeasureField';
import { BoxFields, EDGES, put, Tick, type StepProps } from './stepParts';
import { TrayOpenings } from './TrayOpenings';

const withOther = ({ others = [] }: CaseDraft, name: string, fits: boolean): readonly string[] =>
  BOARD_STANDARDS.flatMap((s) =>
    (s.name === name ? fits : others.includes(s.name)) ? [s.name] : [],
  );

/** Where board, supply and a card on a riser go. */
export function BoardStep({ draft, set, says }: StepProps) {
  return (
    <>
      <Section title={msg`Board`}>
        <p className="soft">
          {msg`The rearmost lower stand-off shows where the board sits. With the board in,
            measure to its lower rear corner.`}
        </p>
        <Pick
          label={msg`Largest board it takes`}
          value={draft.standard}
          options={BOARD_STANDARDS.map((s) => ({ value: s.name, label: s.name }))}
          onPick={(standard) => set({ ...draft, standard })}
        />
        <p className="soft">{msg`Its stand-offs fit these too:`}</p>
        {BOARD_STANDARDS.filter((s) => s.name !== draft.standard).map(({ name }) => (
          <Tick
            key={name}
            label={name}
            checked={(draft.others ?? []).includes(name)}
            onChange={(fits) => set({ ...draft, others: withOther(draft, name, fits) })}
          />
        ))}
        {[
          msg`Its rear edge from the rear panel`,
          msg`Its lower edge from the floor`,
          msg`Its back from the tray (stand-off)`,
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
      <Section title={msg`Supply bay`}>
        <BoxFields place="bay" box={draft.bay} set={(bay) => set({ ...draft, bay })} says={says} />
      </Section>
      <Riser draft={draft} set={set} says={says} />
      <TrayOpenings draft={draft} set={set} says={says} />
    </>
  );
}

/** A slot of its own for a card that does not stand on the board. */
function Riser({ draft, set }: StepProps) {
  const { riser } = draft;
  return (
    <Section title={msg`Riser`}>
      <Tick
        label={msg`a card may stand on a riser of its own`}
        checked={Boolean(riser)}
        onChange={(has) =>
          set({ ...draft, riser: has ? [8, 25, Math.round(draft.interior[2] * 0.8)] : null })
        }
      />
      {riser &&
        EDGES.map((edge, i) => (
          <MeasureField
            key={edge}
            label={msg`Its corner, ${edge}`}
            value={riser[i] as number}
            onChange={(v) => set({ ...draft, riser: put(riser, i, v) })}
          />
        ))}
      {riser && (
        <p className="soft">
          {msg`Facing the glass, its face lies in that plane; facing away, its back does. Behind
            the tray lengths from it are below 0.`}
        </p>
      )}
    </Section>
  );
}
