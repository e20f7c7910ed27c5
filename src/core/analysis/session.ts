import { applyEdit, type Design, type Edit } from '../design';
import type { Part } from '../components';
import { coolingCurves, type CoolingCurve } from '../thermal';
import { createSelectors } from './selectors';
import type { OpenAnalysis } from './types';

/** One design over its edits: the same for the page, its workers, the server and the terminal. */
export interface Session {
  readonly design: Design;
  /** Applies an edit; the edit that takes it back. Throws EditError. */
  apply(edit: Edit): Edit;
  /** Another design in its place. */
  replace(design: Design): void;
  /** Parts that fixes may offer. */
  offer(parts: readonly Part[]): void;
  /** Everything there is to say of the design; only what the last edits touched is worked out. */
  analysis(): OpenAnalysis;
  /** Rise against noise of each load case at every fan speed; worked out once for an analysis. */
  curves(): readonly CoolingCurve[];
}

const NO_PARTS: readonly Part[] = [];

export function createSession(design: Design, offer: readonly Part[] = NO_PARTS): Session {
  const selectors = createSelectors();
  let asked = { design, offer };
  const known = new WeakMap<OpenAnalysis, readonly CoolingCurve[]>();
  const analysis = (): OpenAnalysis => selectors.analysis(asked);
  return {
    get design() {
      return asked.design;
    },
    apply: (edit) => {
      const { design, inverse } = applyEdit(asked.design, edit);
      asked = { ...asked, design };
      return inverse;
    },
    replace: (next) => {
      asked = { ...asked, design: next };
    },
    offer: (parts) => {
      asked = { ...asked, offer: parts };
    },
    analysis,
    curves: () => {
      const now = analysis();
      const curves = known.get(now) ?? curvesOf(now, asked.design);
      known.set(now, curves);
      return curves;
    },
  };
}

const curvesOf = ({ thermalModel, reports }: OpenAnalysis, { brief }: Design) =>
  coolingCurves(thermalModel, reports.flow, brief.loadCase);

/**
 * Everything there is to say of a design, from nothing. Pure; works on any valid design, however
 * unfinished.
 */
export function analyse(
  design: Design,
  { offer = NO_PARTS }: { readonly offer?: readonly Part[] } = {},
): OpenAnalysis {
  return createSession(design, offer).analysis();
}
