'use client';
import { useMemo } from 'react';
import { assemblySteps, type Step } from '@/core/assembly';
import type { Work } from '@/core/design';
import { useEditor } from '@/view/workspace';

const NOTHING: Work = {};

/** The steps of the build, worked out anew only when what stands in the case changes. */
export function useSteps(): { readonly steps: readonly Step[]; readonly work: Work } {
  const design = useEditor((s) => s.design);
  const { system, reports } = useEditor((s) => s.analysis);
  const work = design.choices.work ?? NOTHING;
  const { placed, obstacles } = system;
  const { components, loops, kit } = design;
  const { runs } = reports;
  const { ports: portFits } = reports.clearance;
  const { lines } = reports.bom;
  const { order } = work;
  const steps = useMemo(
    () => assemblySteps({ system, runs, bom: { lines }, portFits, ...(order ? { order } : {}) }),
    // The system is made anew with every edit; what of it counts here is named.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [placed, obstacles, components, loops, kit, runs, lines, portFits, order],
  );
  return { steps, work };
}

/** The first step that is not done; the last where all are. */
export const nextStep = (steps: readonly Step[], { done = {} }: Work): Step | null =>
  steps.find((s) => !(s.id in done)) ?? steps[steps.length - 1] ?? null;
