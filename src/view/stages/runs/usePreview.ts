'use client';
import { useMemo, useState } from 'react';
import { measureGaps, type ClearanceReport } from '@/core/clearance';
import type { Design } from '@/core/design';
import { routedRuns, routesOf } from '@/core/routing';
import { compileSystem, type System } from '@/core/system';
import type { Run } from '@/core/tubing';

/** A design looked at without being taken, as the scene and the elevations draw it. */
export interface Previewed {
  readonly design: Design;
  readonly system: System;
  readonly runs: readonly Run[];
  readonly gaps: ClearanceReport['gaps'];
}

export interface Preview {
  /** Null while the design itself is shown. */
  readonly seen: Previewed | null;
  readonly design: Design | null;
  show(design: Design | null): void;
}

/** Another layout shown in place of the one there is, for as long as one looks at it. */
export function usePreview(now: Design): Preview {
  const [shown, setShown] = useState<{ readonly of: Design; readonly design: Design } | null>(null);
  // What was a change to another design is none to this one.
  const design = shown?.of === now ? shown.design : null;
  const seen = useMemo(() => {
    if (!design) return null;
    const system = compileSystem(design);
    const runs = routedRuns(system, routesOf(system));
    return { design, system, runs, gaps: measureGaps(system).gaps };
  }, [design]);
  const show = (to: Design | null): void => setShown(to && { of: now, design: to });
  return { seen, design, show };
}
