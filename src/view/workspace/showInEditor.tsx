import { TextDecoder, TextEncoder } from 'node:util';
import { useEffect, type ReactNode } from 'react';
import { render } from '@testing-library/react';
import type { Build } from '@/core/design';
import type { BenchState } from './editor';
import { BenchProvider, useBench } from './EditorProvider';

Object.assign(globalThis, { TextEncoder, TextDecoder });

const seen: { state: BenchState | null } = { state: null };
function Spy() {
  const now = useBench((s) => s);
  useEffect(() => {
    seen.state = now;
  }, [now]);
  return null;
}

/** For tests: the bench's state as it is now. */
export const state = new Proxy({} as BenchState, {
  get: (_, key) => seen.state?.[key as keyof BenchState],
});

/** For tests: one panel over a build of its own. */
export const show = (build: Build, panel: ReactNode) =>
  render(
    <BenchProvider id="test" revision={1} build={build}>
      {panel}
      <Spy />
    </BenchProvider>,
  );
