import { TextDecoder, TextEncoder } from 'node:util';
import { useEffect, type ReactNode } from 'react';
import { act, fireEvent, render, screen } from '@testing-library/react';
import type { Design } from '@/core/design';
import { analyse, tell } from '@/core/analysis';
import { analystHere } from '@/engine/analystHere.fixture';
import type { EditorState, OpenedBuild } from './editor';
import { EditorProvider, useEditor } from './EditorProvider';
import type { OpenedOutbox } from './outbox';

Object.assign(globalThis, { TextEncoder, TextDecoder });

const seen: { state: EditorState | null } = { state: null };
function Spy() {
  const now = useEditor((s) => s);
  useEffect(() => {
    seen.state = now;
  }, [now]);
  return null;
}

/** For tests: the editor's state as it is now. */
export const state = new Proxy({} as EditorState, {
  get: (_, key) => seen.state?.[key as keyof EditorState],
});

/** An outbox that forgets. */
const FORGETTING: OpenedOutbox = {
  found: null,
  left: [],
  outbox: {
    append: () => Promise.resolve(true),
    takeLeft: () => Promise.resolve([]),
    close: () => undefined,
  },
};

/** For tests: a build as the server gives it to its page. */
export const openedBuild = (design: Design, revision = 1): OpenedBuild => ({
  id: 'test',
  revision,
  design,
  told: tell(analyse(design)),
});

/** For tests: one panel over a build of its own, its outbox read. */
export const show = (design: Design, panel: ReactNode, analyst = analystHere) => {
  const shown = render(
    <EditorProvider build={openedBuild(design)} analyst={analyst}>
      {panel}
      <Spy />
    </EditorProvider>,
  );
  act(() => seen.state?.opened(FORGETTING));
  return shown;
};

/** Turns of the microtask queue in which whatever loads on demand has come. */
const TURNS = 50;

/** For tests: what is loaded on demand has come. */
export const loaded = (): Promise<void> =>
  act(async () => {
    for (let i = 0; i < TURNS; i += 1) await Promise.resolve();
  });

/** For tests: opens a tab, and waits until it is there. */
export async function openTab(name: string): Promise<void> {
  fireEvent.click(screen.getByRole('radio', { name }));
  await loaded();
}
