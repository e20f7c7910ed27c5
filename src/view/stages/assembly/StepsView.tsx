'use client';
import dynamic from 'next/dynamic';
import { useMemo } from 'react';
import type { Step } from '@/core/assembly';
import type { System } from '@/core/system';
import { isInSpace, useEditor, type CaseView } from '@/view/workspace';
import type { View } from '@/core/elevation';
import { CaseInSpace } from '../scene/CaseInSpace';
import { later } from '@/view/shared/later';
import styles from './AssemblyStage.module.css';

// Loaded for the flat views.
const Elevation = dynamic(() =>
  later(() => import('../elevation/Elevation').then((m) => m.Elevation)),
);

/** What stands in the case once these steps are done. */
function standingAfter(steps: readonly Step[]): {
  readonly components: ReadonlySet<string>;
  readonly runs: ReadonlySet<string>;
} {
  const of = (...kinds: readonly Step['kind'][]): ReadonlySet<string> =>
    new Set(steps.flatMap((s) => (kinds.includes(s.kind) ? s.subjects : [])));
  return { components: of('mount', 'block'), runs: of('run', 'join') };
}

/** The case with what is in it by this step, the new part marked. */
export function StepsView({
  steps,
  step,
  view,
}: {
  readonly steps: readonly Step[];
  readonly step: Step;
  readonly view: CaseView;
}) {
  const design = useEditor((s) => s.design);
  const { system, reports } = useEditor((s) => s.analysis);
  const at = steps.indexOf(step);
  const shown = useMemo(() => standingAfter(steps.slice(0, at + 1)), [steps, at]);
  const part = useMemo(
    (): System => ({
      ...system,
      placed: new Map(
        [...system.placed].filter(
          ([id, p]) =>
            shown.components.has(id) ||
            // What hangs in its runs is there with the first of them.
            (p.placement.on === 'line' &&
              reports.runs.some((r) => shown.runs.has(r.id) && leadsTo(r, id))),
        ),
      ),
    }),
    [system, shown, reports.runs],
  );
  const runs = useMemo(
    () => reports.runs.filter((r) => r.routed && shown.runs.has(r.id)),
    [reports.runs, shown],
  );
  const picked = step.subjects.find((id) => part.placed.has(id) || shown.runs.has(id)) ?? null;
  if (!design.case) return null;
  const plain = (as: View) => (
    <Elevation
      view={as}
      model={part}
      fit={{ ...reports.clearance, gaps: [] }}
      picked={picked}
      onPick={() => undefined}
      runs={runs}
      heat={reports.heat[design.brief.loadCase]}
    />
  );
  return (
    <div className={styles.scene}>
      {!isInSpace(view) ? (
        plain(view)
      ) : (
        <CaseInSpace
          design={design}
          system={part}
          gaps={[]}
          runs={runs}
          picked={picked}
          onPick={() => undefined}
          onHold={() => undefined}
          isBesideText
          heat={reports.heat[design.brief.loadCase]}
          otherwise={plain('side')}
        />
      )}
    </div>
  );
}

const leadsTo = (
  run: {
    readonly from: { readonly component: string };
    readonly to: { readonly component: string };
  },
  id: string,
): boolean => run.from.component === id || run.to.component === id;
