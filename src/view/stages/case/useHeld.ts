'use client';
import { useMemo, useState } from 'react';
import { isOnlyMoved } from '@/core/analysis';
import { applyEdit, componentName, type Placement } from '@/core/design';
import { measureGaps, mountDepthAt, type ClearanceReport, type MountDepth } from '@/core/clearance';
import { moveEdit, type System } from '@/core/system';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';

interface Held {
  readonly model: System;
  readonly gaps: ClearanceReport['gaps'];
  readonly mountDepths: readonly MountDepth[];
  /** Where the part in the hand is now; null when none is. */
  readonly at: { readonly component: string; readonly placement: Placement } | null;
  /** Whether a part is in the hand: gaps are live, nothing is kept yet. */
  readonly holding: boolean;
  /** Where the part would be; null lets it go where it was last. */
  hold(component: string, placement: Placement | null): void;
}

/**
 * A part in the hand: placed and measured anew with every move, kept in the build when it is let
 * go. What was moved otherwise stands in its new place at once too; its gaps, as all else, follow
 * when they are worked out.
 */
export function useHeld(): Held {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const picked = useEditor((s) => s.picked);
  const [held, setHeld] = useState<{
    readonly component: string;
    readonly placement: Placement;
  } | null>(null);
  const latest = useEditor((s) => s.latest);
  const compile = useEditor((s) => s.compile);
  const model = useMemo(() => {
    const ahead = held
      ? applyEdit(design, moveEdit(analysis.system, held.component, held.placement)).design
      : latest;
    return isOnlyMoved(design, ahead) ? compile(ahead) : analysis.system;
  }, [analysis.system, compile, design, held, latest]);
  const isHolding = held !== null;
  const measured = useMemo(
    () =>
      isHolding && {
        gaps: measureGaps(model).gaps,
        mountDepths: (model.design.case?.mounts ?? []).map((m) => mountDepthAt(model, m)),
      },
    [isHolding, model],
  );
  const { gaps, mountDepths } = measured || analysis.reports.clearance;
  const hold = (component: string, placement: Placement | null): void => {
    if (placement && picked !== component) pick(component);
    if (placement) {
      setHeld({ component, placement });
      return;
    }
    setHeld((last) => {
      if (last)
        queueMicrotask(() =>
          commit(
            msg`move ${componentName(design, component)}`,
            moveEdit(analysis.system, component, last.placement),
          ),
        );
      return null;
    });
  };
  return {
    model,
    gaps,
    mountDepths,
    at: held,
    holding: isHolding,
    hold,
  };
}
