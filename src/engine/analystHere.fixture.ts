import { createSession, tell } from '@/core/analysis';
import { offered } from '@/catalogue';
import type { MakeAnalyst } from './analyst';

/** For tests: an analyst that answers at once, in the page's own thread. */
export const analystHere: MakeAnalyst = ({ design }, partLists, hear) => {
  const session = createSession(design, offered(partLists));
  const answer = (): void => hear({ design: session.design, told: tell(session.analysis()) });
  return {
    edited: (next) => {
      session.replace(next);
      answer();
    },
    replaced: (next) => {
      session.replace(next);
      answer();
    },
    offers: (lists) => {
      session.offer(offered(lists));
      answer();
    },
    wake: () => undefined,
    close: () => undefined,
  };
};
