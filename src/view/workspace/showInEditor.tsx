import { TextDecoder, TextEncoder } from 'node:util';
import { useEffect, type ReactNode } from 'react';
import { render } from '@testing-library/react';
import type { Design } from '@/core/design';
import type { EditorState } from './editor';
import { EditorProvider, useEditor } from './EditorProvider';

Object.assign(globalThis, { TextEncoder, TextDecoder });

const seen: { state: EditorState | null } = { state: null };
function Spy() {
  const now = useEditor((s) => s);
  useEffect(() => {
    seen.state = now;
  }, [now]);
  return null;
}

/** For tests: the bench's state as it is now. */
export const state = new Proxy({} as EditorState, {
  get: (_, key) => seen.state?.[key as keyof EditorState],
});

/** For tests: one panel over a build of its own. */
export const show = (design: Design, panel: ReactNode) =>
  render(
    <EditorProvider id="test" revision={1} design={design}>
      {panel}
      <Spy />
    </EditorProvider>,
  );
