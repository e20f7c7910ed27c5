import { expose } from 'comlink';
import { offered, type Shelves } from '@/catalogue';
import type { Build } from '@/core/build';
import { findingsOf, workOut } from '@/core/evaluate';
import { findingKey, resolveFixes, type Fix } from '@/core/finding';

/** Tries the ways out of findings, off the main thread, one finding after the other. */
const api = {
  fixes(
    build: Build,
    keys: readonly string[],
    shelves: Shelves,
    tell: (share: number) => void,
  ): readonly (readonly [key: string, fixes: readonly Fix[]])[] {
    const { findings } = workOut(build, { offer: offered(shelves) });
    const asked = findings.filter((f) => keys.includes(findingKey(f)));
    return asked.map((finding, i) => {
      tell(i / asked.length);
      return [findingKey(finding), resolveFixes(build, finding, findingsOf)];
    });
  },
};

export type FixesWorker = typeof api;
expose(api);
