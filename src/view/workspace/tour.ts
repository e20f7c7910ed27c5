import { create } from 'zustand';
import { findingKey, type Finding } from '@/core/checks';
import { STAGES } from './stages';

const RANK: Readonly<Record<Finding['severity'], number>> = { fails: 0, marginal: 1, note: 2 };

/** Findings in the order of a tour: along the stages, in each what fails first. */
export function tourOf(findings: readonly Finding[]): readonly Finding[] {
  const stageOf = (f: Finding): number => STAGES.findIndex((s) => s.id === f.stage);
  return [...findings].sort(
    (a, b) => stageOf(a) - stageOf(b) || RANK[a.severity] - RANK[b.severity],
  );
}

interface Tour {
  /** The build it is made in: in another one it is not shown. */
  readonly build: string | null;
  /** What is visited, as it was found when the tour began; null while none is made. */
  readonly stops: readonly Finding[] | null;
  readonly at: number;
  start(build: string, findings: readonly Finding[]): void;
  go(by: 1 | -1): void;
  end(): void;
}

/** The guided tour of a build's findings, one stop after the other. */
export const useTour = create<Tour>()((set, get) => ({
  build: null,
  stops: null,
  at: 0,
  start: (build, findings) => set({ build, stops: tourOf(findings), at: 0 }),
  go: (by) => {
    const { stops, at } = get();
    set({ at: Math.min(Math.max(0, at + by), (stops?.length ?? 1) - 1) });
  },
  end: () => set({ build: null, stops: null, at: 0 }),
}));

/** Whether a stop is still found: a change may have solved it. */
export const isStillFound = (stop: Finding, findings: readonly Finding[]): boolean =>
  findings.some((f) => findingKey(f) === findingKey(stop));
