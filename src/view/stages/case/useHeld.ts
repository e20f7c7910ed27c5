'use client';
import { useMemo, useState } from 'react';
import { applyEdit, type Placement } from '@/core/design';
import { measureGaps, thicknessAt, type FitReport, type MountRoom } from '@/core/clearance';
import { resolve, type Model } from '@/core/system';
import { useBench } from '@/view/workspace';

interface Held {
  readonly model: Model;
  readonly gaps: FitReport['gaps'];
  readonly rooms: readonly MountRoom[];
  /** Where the part in the hand is now; null when none is. */
  readonly at: { readonly component: string; readonly placement: Placement } | null;
  /** Whether a part is in the hand: gaps are live, nothing is kept yet. */
  readonly holding: boolean;
  /** Where the part would be; null lets it go where it was last. */
  hold(component: string, placement: Placement | null): void;
}

/** A part in the hand: placed and measured anew with every move, kept in the build when it is let go. */
export function useHeld(): Held {
  const { build, workings, commit, pick, picked } = useBench((s) => s);
  const [held, setHeld] = useState<{
    readonly component: string;
    readonly placement: Placement;
  } | null>(null);
  const live = useMemo(() => {
    if (!held) return null;
    const model = resolve(
      applyEdit(build, {
        do: 'component.place',
        component: held.component,
        placement: held.placement,
      }).build,
    );
    return {
      model,
      gaps: measureGaps(model).gaps,
      rooms: (build.case?.mounts ?? []).map((m) => thicknessAt(model, m)),
    };
  }, [build, held]);
  const hold = (component: string, placement: Placement | null): void => {
    if (placement && picked !== component) pick(component);
    if (placement) {
      setHeld({ component, placement });
      return;
    }
    setHeld((last) => {
      if (last)
        queueMicrotask(() =>
          commit(`move ${build.components.find((i) => i.id === component)?.name ?? component}`, {
            do: 'component.place',
            component,
            placement: last.placement,
          }),
        );
      return null;
    });
  };
  return {
    model: live?.model ?? workings.model,
    gaps: live?.gaps ?? workings.reports.fit.gaps,
    rooms: live?.rooms ?? workings.reports.fit.rooms,
    at: held,
    holding: held !== null,
    hold,
  };
}
