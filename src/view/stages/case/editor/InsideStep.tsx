'use client';
import { msg } from '@/core/messages';
import { Section } from '../../frame/StageFrame';
import { MeasureField } from './MeasureField';
import { Name, put, Tick, type StepProps } from './stepParts';

/** How large it is inside, and how thick its sheets. */
export function InsideStep({ draft, set, says }: StepProps) {
  return (
    <Section title={msg`Inside`}>
      <p className="soft">
        {msg`Take the side panel off. Measure free room between the sheets, not the outside:
          cages and shrouds come later.`}
      </p>
      <Name
        label={msg`Name`}
        value={draft.name}
        onChange={(name) => set({ ...draft, name })}
        trouble={says('name')}
      />
      <Tick
        label={msg`an open frame or bench: bars, no walls`}
        checked={draft.open === true}
        onChange={(open) => set({ ...draft, open })}
      />
      {[msg`Rear panel to front frame`, msg`Floor to top frame`, msg`Board tray to side panel`].map(
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
          ['side_mm', msg`Thickness of the side panel`],
          ['frame_mm', msg`Thickness of the panel the radiators are screwed to`],
          ['tray_mm', msg`Thickness of the board tray`],
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
