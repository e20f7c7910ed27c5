/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { ReactNode } from 'react';
import {
  AppRouterContext,
  type AppRouterInstance,
} from 'next/dist/shared/lib/app-router-context.shared-runtime';
import { demoDesign } from '@/catalogue';
import { mergeDesigns, type Design } from '@/core/design';
import { ConflictDialog, DifferenceTable } from './ConflictDialog';
import type { Conflict } from './editor';
import { GoneDialog } from './GoneDialog';
import { HistoryDrawer } from './HistoryDrawer';
import { show, state } from './showInEditor';
import { TopBar } from './TopBar';

/** The router of a page, as far as it is used. */
const router = { push: jest.fn(), refresh: jest.fn() } as unknown as AppRouterInstance;
const routed = (panel: ReactNode) => (
  <AppRouterContext.Provider value={router}>{panel}</AppRouterContext.Provider>
);

const desk = demoDesign('dawn-chorus-desk') as Design;
const named = (name: string, room_C = desk.brief.room_C): Design => ({
  ...desk,
  name,
  brief: { ...desk.brief, room_C },
});

interface Asked {
  readonly method: string;
  readonly address: string;
  readonly body: unknown;
}
let asked: Asked[];
let answer: (asked: Asked) => { readonly status: number; readonly body?: unknown };
const before = globalThis.fetch;
beforeEach(() => {
  asked = [];
  answer = () => ({ status: 200, body: {} });
  globalThis.fetch = ((address: string, init: { method?: string; body?: string } = {}) => {
    const one: Asked = {
      method: init.method ?? 'GET',
      address,
      body: init.body ? (JSON.parse(init.body) as unknown) : null,
    };
    asked.push(one);
    const { status, body } = answer(one);
    return Promise.resolve({
      ok: status < 400,
      status,
      json: () => Promise.resolve(body ?? {}),
    });
  }) as unknown as typeof fetch;
});
afterEach(() => {
  globalThis.fetch = before;
});

/** Theirs arrives as an answer to a save. */
async function meet(mine: (name: string) => void, theirs: Design): Promise<void> {
  answer = ({ method }) =>
    method === 'PUT' ? { status: 409, body: { revision: 9, document: theirs } } : { status: 200 };
  act(() => mine('Mine'));
  await waitFor(() => expect(state.conflict ?? state.revision).not.toBe(1), { timeout: 3000 });
}

describe('two versions of one build', () => {
  const rename = (name: string): void => state.commit('rename', { do: 'design.rename', name });

  test('each thing both changed is a row; the side chosen goes on', async () => {
    show(desk, <ConflictDialog />);
    await meet(rename, named('Theirs', 31));
    const dialog = within(screen.getByRole('dialog'));
    expect(dialog.getAllByRole('row')).toHaveLength(2);
    expect(dialog.getByRole('row', { name: /Name of the build/ }).textContent).toContain('Theirs');
    fireEvent.click(dialog.getByRole('button', { name: 'theirs' }));
    fireEvent.click(dialog.getByRole('button', { name: 'Go on with these' }));
    expect(state.design).toMatchObject({ name: 'Theirs', brief: { room_C: 31 } });
    expect(state.conflict).toBeNull();
  });

  test('all of theirs: and one step leads back to mine', async () => {
    show(desk, <ConflictDialog />);
    await meet(rename, named('Theirs', 31));
    fireEvent.click(screen.getByRole('button', { name: 'Take all of theirs' }));
    expect(state.design.name).toBe('Theirs');
    act(() => state.undo());
    expect(state.design).toMatchObject({ name: 'Mine', brief: { room_C: desk.brief.room_C } });
  });

  test('where they do not go together that is said, and what differs is shown', () => {
    const theirs: Design = {
      ...desk,
      components: desk.components.filter((c) => c.id !== 'card-block'),
    };
    const merged = mergeDesigns(desk, named('Mine'), theirs);
    expect(merged.loose.length).toBeGreaterThan(0);
    const conflict: Conflict = { from: 'server', revision: 9, design: theirs, base: desk, merged };
    render(<DifferenceTable before={desk} after={conflict.design} heads={['yours', 'theirs']} />);
    expect(screen.getByRole('row', { name: /Card block/ }).textContent).toContain('not there');
  });
});

describe('a build deleted elsewhere', () => {
  const gone = async (status: number): Promise<void> => {
    answer = ({ method }) => ({ status: method === 'PUT' ? status : 204 });
    act(() => state.commit('rename', { do: 'design.rename', name: 'Still mine' }));
    await waitFor(() => expect(state.save).toBe('gone'), { timeout: 3000 });
  };

  test('in the bin: put back, and the work is saved', async () => {
    show(desk, routed(<GoneDialog />));
    await gone(410);
    answer = ({ method }) =>
      method === 'PUT' ? { status: 200, body: { revision: 2 } } : { status: 204 };
    fireEvent.click(screen.getByRole('button', { name: 'Put it back and save' }));
    await waitFor(() => expect([state.save, state.revision]).toEqual(['saved', 2]));
    expect(asked.map((a) => `${a.method} ${a.address}`)).toContain('POST /api/bin/build/test');
    expect(screen.queryByRole('dialog')).toBeNull();
  });

  test('for good: saved as a new build', async () => {
    show(desk, routed(<GoneDialog />));
    await gone(404);
    expect(screen.queryByRole('button', { name: 'Put it back and save' })).toBeNull();
    answer = () => ({ status: 201, body: { id: 'new-1' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save as a new build' }));
    await waitFor(() => expect(asked.at(-1)?.body).toMatchObject({ name: 'Still mine' }));
  });
});

describe('history', () => {
  const moments = [
    { revision: 2, savedAt: 2_000_000, name: null },
    { revision: 1, savedAt: 1_000_000, name: 'as ordered' },
  ];

  async function openHistory(): Promise<void> {
    answer = ({ method, address }) => {
      if (method === 'PUT') return { status: 204 };
      if (address.endsWith('/history')) return { status: 200, body: moments };
      return { status: 200, body: named('Then', 19) };
    };
    show(desk, <HistoryDrawer />);
    act(() => state.open('history'));
    await screen.findByText('as ordered');
  }

  test('moments by time, with their names; one is compared with now', async () => {
    await openHistory();
    fireEvent.click(screen.getByRole('button', { name: /revision 1/ }));
    const row = await screen.findByRole('row', { name: /room, °C/ });
    expect(row.textContent).toMatch(/19.*22/);
  });

  test('restored as a step, which can be taken back', async () => {
    await openHistory();
    fireEvent.click(screen.getByRole('button', { name: /revision 1/ }));
    await screen.findByRole('row', { name: /room, °C/ });
    fireEvent.click(screen.getByRole('button', { name: 'Restore' }));
    expect(state.design.name).toBe('Then');
    expect(state.past.at(-1)?.label).toBe('restore revision 1');
    act(() => state.undo());
    expect(state.design.name).toBe(desk.name);
  });

  test('a moment is given a name, and loses it again', async () => {
    await openHistory();
    fireEvent.click(screen.getByRole('button', { name: /revision 1/ }));
    const field = screen.getByLabelText('Name of this moment');
    fireEvent.change(field, { target: { value: '  before the flood ' } });
    fireEvent.click(screen.getByRole('button', { name: 'Keep the name' }));
    await waitFor(() =>
      expect(asked.find((a) => a.method === 'PUT')).toMatchObject({
        address: '/api/builds/test/history/1',
        body: { name: 'before the flood' },
      }),
    );
  });

  test('without the server it says where the history is', async () => {
    answer = () => ({ status: 503 });
    show(desk, <HistoryDrawer />);
    act(() => state.open('history'));
    expect((await screen.findByRole('alert')).textContent).toContain('kept there');
  });
});

describe('the bar', () => {
  test('says where the work is, and opens the history', async () => {
    show(desk, <TopBar />);
    expect(screen.getByRole('status').textContent).toBe('saved, revision 1');
    // Here the browser has no storage; from now on it is as if it had.
    await waitFor(() => expect(state.kept).toBe('refused'));
    answer = () => ({ status: 507, body: { error: 'The disk is full.', trouble: 'full' } });
    act(() => state.commit('rename', { do: 'design.rename', name: 'Other' }));
    act(() => state.setKept('kept'));
    await waitFor(
      () =>
        expect(screen.getByRole('status').textContent).toBe(
          'disk full; kept in this browser, revision 1',
        ),
      { timeout: 3000 },
    );
    fireEvent.click(screen.getByRole('button', { name: /disk full/ }));
    expect(state.drawer).toBe('history');
  });
});
