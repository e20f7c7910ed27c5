'use client';
import { Section } from '../../frame/StageFrame';
import { MeasureField } from './MeasureField';
import { Name, put, Tick, type StepProps } from './stepParts';

/** How large it is inside, and how thick its sheets. */
export function InsideStep({ draft, set, says }: StepProps) {
  return (
    <Section title="Inside">
      <p className="soft">
        Take the side panel off. Measure free room between the sheets, not the outside: cages and
        shrouds come later.
      </p>
      <Name
        label="Name"
        value={draft.name}
        onChange={(name) => set({ ...draft, name })}
        trouble={says('name')}
      />
      <Tick
        label="an open frame or bench: bars, no walls"
        checked={draft.open === true}
        onChange={(open) => set({ ...draft, open })}
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
          ['frame_mm', 'Thickness of the panel the radiators are screwed to'],
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
