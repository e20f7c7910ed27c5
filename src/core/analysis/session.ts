import { applyEdit, type Design, type Edit } from '../design';
import type { Part } from '../components';
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
}

const NO_PARTS: readonly Part[] = [];

export function createSession(design: Design, offer: readonly Part[] = NO_PARTS): Session {
  const selectors = createSelectors();
  let asked = { design, offer };
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
    analysis: () => selectors.analysis(asked),
  };
}

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
