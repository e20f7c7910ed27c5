import { offered } from '@/catalogue';
import { createSession, tell } from '@/core/analysis';
import type { MakeAnalyst } from './analyst';

/** When an analyst for tests may speak. */
type Timing = (answer: () => void) => void;

const analystBy =
  (timing: Timing): MakeAnalyst =>
  ({ design }, partLists, hear) => {
    const session = createSession(design, offered(partLists));
    const answer = (): void => hear({ design: session.design, told: tell(session.analysis()) });
    return {
      edited: (next) => {
        session.replace(next);
        timing(answer);
      },
      replaced: (next) => {
        session.replace(next);
        timing(answer);
      },
      offers: (lists) => {
        session.offer(offered(lists));
        timing(answer);
      },
      curves: async () => session.curves(),
      wake: () => undefined,
      close: () => undefined,
    };
  };

/** For tests: an analyst that answers at once, in the page's own thread. */
export const analystHere: MakeAnalyst = analystBy((answer) => answer());

/** For tests: an analyst that answers when it is told to, of what the design is by then. */
export function analystLater(): { readonly analyst: MakeAnalyst; answer(): void } {
  let waiting: (() => void) | null = null;
  return {
    analyst: analystBy((answer) => (waiting = answer)),
    answer: () => {
      waiting?.();
      waiting = null;
    },
  };
}
