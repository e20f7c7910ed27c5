'use client';
import { useMemo, useState, type ReactNode } from 'react';
import { CATALOGUE, STANDARD_KIT } from '@/catalogue';
import { emptyDesign, type Design, type Component } from '@/core/design';
import { caseFromDraft, draftTroubles, type CaseDraft } from '@/core/measure';
import { compileSystem } from '@/core/system';
import type { BoardPart, CasePart } from '@/core/components';
import { formatMeasure, formatNumber } from '@/core/units';
import { slug } from '@/format';
import { Mark, Segments, usePartLists, Press } from '@/view/shared';
import { downloadPart, useEditor } from '@/view/workspace';
import { counted, msg, worded } from '@/core/messages';
import { Elevation } from '../../elevation/Elevation';
import { VIEW_NAMES, type View } from '@/core/elevation';
import { Section, StageFrame } from '../../frame/StageFrame';
import { BoardStep } from './BoardStep';
import { CagesStep } from './CagesStep';
import { InsideStep } from './InsideStep';
import { MountsStep } from './MountsStep';
import { PlacesStep } from './PlacesStep';
import type { StepProps } from './stepParts';
import { useCaseDraft } from './useCaseDraft';
import styles from './CaseEditor.module.css';

const STEPS = worded(
  () =>
    [
      { value: 'inside', label: msg`1 inside` },
      { value: 'board', label: msg`2 board` },
      { value: 'mounts', label: msg`3 mounts` },
      { value: 'cages', label: msg`4 cages` },
      { value: 'places', label: msg`5 places` },
      { value: 'keep', label: msg`6 keep it` },
    ] as const,
);
type Step = (typeof STEPS)[number]['value'];
const PANES: Record<Exclude<Step, 'keep'>, (p: StepProps) => ReactNode> = {
  inside: InsideStep,
  board: BoardStep,
  mounts: MountsStep,
  cages: CagesStep,
  places: PlacesStep,
};
/** Which side of the drawing shows what a step asks for. */
const SHOWS: Record<Step, View> = {
  inside: 'side',
  board: 'side',
  mounts: 'side',
  cages: 'side',
  places: 'side',
  keep: 'side',
};

/**
 * The case as drawn from what is typed: a board and a supply stand in it to show where they come.
 */
function shown(draft: CaseDraft, part: CasePart): Design {
  const board = CATALOGUE.find(
    (p): p is BoardPart => p.kind === 'board' && p.standard === draft.standard,
  );
  const components: readonly Component[] = board
    ? [
        {
          id: 'board',
          name: msg`${draft.standard} board`,
          part: { ...board, boxes: [{ name: board.name, min: [0, 0, 0], max: board.size }] },
          placement: { on: 'tray' },
          settings: {},
        },
      ]
    : [];
  return {
    ...emptyDesign(draft.name, STANDARD_KIT),
    case: {
      ...part,
      obstacles: [
        ...part.obstacles,
        {
          id: 'bay',
          name: msg`Supply bay`,
          removable: false,
          min: part.bay.min,
          max: part.bay.max,
        },
      ],
    },
    components,
  };
}

/** A case measured with a ruler, step by step, drawn as it is typed, kept in the Stores. */
export function CaseEditor({
  start,
  onDone,
}: {
  readonly start: CaseDraft | null;
  onDone(): void;
}) {
  const commit = useEditor((s) => s.commit);
  const keep = usePartLists((s) => s.keep);
  const { draft, setDraft, clear } = useCaseDraft(start);
  const [step, setStep] = useState<Step>('inside');
  const [view, setView] = useState<View>('side');
  const [diagnostic, setSaid] = useState<string | null>(null);
  const troubles = useMemo(() => draftTroubles(draft), [draft]);
  const part = useMemo(() => caseFromDraft(draft, `own-${slug(draft.name).slice(0, 48)}`), [draft]);
  const drawable = !troubles.some((t) => t.place.startsWith('interior'));
  const model = useMemo(
    () => (drawable ? compileSystem(shown(draft, part)) : null),
    [draft, drawable, part],
  );
  const go = (next: Step): void => {
    setStep(next);
    setView(SHOWS[next]);
  };
  const at = STEPS.findIndex((s) => s.value === step),
    next = STEPS[at + 1];
  const Pane = step === 'keep' ? null : PANES[step];
  const use = async (): Promise<void> => {
    const wrong = await keep(part);
    if (wrong) {
      setSaid(wrong);
      return;
    }
    clear();
    commit(msg`choose ${part.name}`, { do: 'case.choose', case: part });
    onDone();
  };
  return (
    <StageFrame
      title={draft.name.trim() || msg`A case of your own`}
      sentence={msg`${formatNumber(part.volume_L)} litres inside. Measure along three edges:
        from the rear panel forward, from the floor up, from the board tray to the glass.
        Lengths may be typed in any unit.`}
      side={
        <>
          <div className={styles.steps}>
            <Segments label={msg`Step`} value={step} options={STEPS} onPick={go} />
          </div>
          {Pane && (
            <Pane
              draft={draft}
              set={setDraft}
              says={(place) => troubles.find((t) => t.place === place)?.says}
            />
          )}
          {step === 'keep' && (
            <Section title={msg`Keep it`}>
              {troubles.length === 0 ? (
                <p>
                  <Mark verdict="ok" />{' '}
                  {msg`Nothing contradicts itself. Lengths are taken to be right
                    to ${formatMeasure(part.tolerance_mm, 'mm', { decimals: 1 })}.`}
                </p>
              ) : (
                <>
                  <p>
                    <Mark verdict="fails" />{' '}
                    {msg`${counted(troubles.length, '# measure', '# measures')} cannot be:`}
                  </p>
                  <ul className={styles.list}>
                    {troubles.map((t) => (
                      <li key={t.place + t.says}>{t.says}</li>
                    ))}
                  </ul>
                </>
              )}
              {diagnostic && (
                <p role="alert" className={styles.trouble}>
                  {diagnostic}
                </p>
              )}
              <div className={styles.row}>
                <Press
                  className={styles.act}
                  disabled={troubles.length > 0}
                  onClick={() => void use()}
                >
                  {msg`Save it to the catalogue and use it`}
                </Press>
                <Press className={styles.quiet} onClick={() => downloadPart(part)}>
                  {msg`Export as a file`}
                </Press>
              </div>
            </Section>
          )}
          <div className={styles.row}>
            {next && (
              <Press className={styles.act} onClick={() => go(next.value)}>
                {msg`Next: ${next.label.slice(2)}`}
              </Press>
            )}
            <Press className={styles.quiet} onClick={onDone}>
              {msg`Leave it for now`}
            </Press>
          </div>
          <p className="soft">
            {msg`What you have typed is kept in this browser until the case is in the catalogue.`}
          </p>
        </>
      }
    >
      <Segments
        label={msg`View`}
        value={view}
        options={(['side', 'front', 'top'] as const).map((value) => ({
          value,
          label: VIEW_NAMES[value],
        }))}
        onPick={setView}
      />
      <div className={styles.sheet}>
        {model ? (
          <Elevation
            view={view}
            model={model}
            fit={{ gaps: [], unplaced: [] }}
            picked={null}
            onPick={() => undefined}
          />
        ) : (
          <p role="status">{msg`The inside has no size yet: it is drawn as soon as it has.`}</p>
        )}
      </div>
    </StageFrame>
  );
}
