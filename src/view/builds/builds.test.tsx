/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import {
  AppRouterContext,
  type AppRouterInstance,
} from 'next/dist/shared/lib/app-router-context.shared-runtime';
import type { BuildEntry, BuildList } from '@/server';
import { BinnedBuild } from './BinnedBuild';
import { Builds } from './Builds';

const router = {
  push: jest.fn(),
  replace: jest.fn(),
  refresh: jest.fn(),
};

const entry = (id: string, name: string, rest: Partial<BuildEntry> = {}): BuildEntry => ({
  id,
  name,
  revision: 3,
  updatedAt: 1,
  demo: null,
  about: null,
  known: { state: 'unreadable' },
  ...rest,
});
const listOf = (entries: readonly BuildEntry[], rest: Partial<BuildList> = {}): BuildList => ({
  entries,
  total: entries.length,
  limit: 50,
  offset: 0,
  search: '',
  ...rest,
});

const show = (list: BuildList) =>
  render(
    <AppRouterContext.Provider value={router as unknown as AppRouterInstance}>
      <Builds list={list} />
    </AppRouterContext.Provider>,
  );

let asked: string[];
let bin: readonly object[];
let status: number;
let body: object;
const before = globalThis.fetch;
beforeEach(() => {
  asked = [];
  bin = [];
  status = 200;
  body = {};
  jest.clearAllMocks();
  Object.defineProperty(window, 'matchMedia', {
    configurable: true,
    value: () => ({ matches: false, addEventListener: jest.fn(), removeEventListener: jest.fn() }),
  });
  globalThis.fetch = ((address: string, init: { method?: string } = {}) => {
    const said = `${init.method ?? 'GET'} ${address}`;
    asked.push(said);
    const isBin = said === 'GET /api/bin';
    return Promise.resolve({
      ok: isBin || status < 400,
      status: isBin ? 200 : status,
      json: () => Promise.resolve(isBin ? bin : body),
    });
  }) as unknown as typeof fetch;
});
afterEach(() => {
  globalThis.fetch = before;
});

describe('the page of builds', () => {
  test('names, states and what a demo is about; an empty page says what to do', () => {
    show(
      listOf([
        entry('a', 'Reed rig'),
        entry('b', 'Wren box', { demo: 'wren', about: 'Small and quiet.' }),
        entry('c', 'Flood tower', { known: { state: 'too-large' } }),
      ]),
    );
    expect(screen.getByRole('link', { name: 'Reed rig' }).getAttribute('href')).toBe(
      '/builds/a/heat',
    );
    expect(screen.getByText('Small and quiet.')).toBeTruthy();
    expect(screen.getAllByText(/cannot be read. Export it/)).toHaveLength(2);
    expect(screen.getByText(/takes too long to compute for the list/)).toBeTruthy();
  });

  test('no builds, and none by that name, are told apart', () => {
    const { unmount } = show(listOf([]));
    expect(screen.getByText(/There are no builds yet/)).toBeTruthy();
    unmount();
    show(listOf([], { search: 'heron' }));
    expect(screen.getByText('No build is named "heron".')).toBeTruthy();
  });

  test('pages and search go by the address', async () => {
    show(listOf([entry('a', 'Reed')], { total: 120, offset: 50 }));
    fireEvent.click(await screen.findByRole('button', { name: 'Go to page 3' }));
    expect(router.replace).toHaveBeenCalledWith('/?offset=100', { scroll: true });
    fireEvent.change(screen.getByLabelText('Find a build'), {
      target: { value: ' heron & wren ' },
    });
    await waitFor(() =>
      expect(router.replace).toHaveBeenLastCalledWith('/?q=heron+%26+wren', { scroll: false }),
    );
  });

  test('letters typed while a search is on its way stay; going back brings the search before', async () => {
    const found = (search: string) => (
      <AppRouterContext.Provider value={router as unknown as AppRouterInstance}>
        <Builds list={listOf([entry('a', 'Reed')], { total: 120, search })} />
      </AppRouterContext.Provider>
    );
    const shown = render(found(''));
    const field = screen.getByLabelText<HTMLInputElement>('Find a build');
    fireEvent.change(field, { target: { value: 'dawn' } });
    await waitFor(() => expect(router.replace).toHaveBeenCalledWith('/?q=dawn', { scroll: false }));
    fireEvent.change(field, { target: { value: 'dawn chorus' } });
    shown.rerender(found('dawn'));
    expect(field.value).toBe('dawn chorus');
    await waitFor(() =>
      expect(router.replace).toHaveBeenLastCalledWith('/?q=dawn+chorus', { scroll: false }),
    );
    shown.rerender(found('dawn chorus'));
    shown.rerender(found('dawn'));
    expect(field.value).toBe('dawn');
  });

  test('what is being worked out is asked for once for each list, so that going on is not held up', () => {
    jest.useFakeTimers();
    const waiting = listOf([entry('a', 'Reed', { known: { state: 'pending' } })]);
    const shown = show(waiting);
    jest.advanceTimersByTime(10_000);
    expect(router.refresh).toHaveBeenCalledTimes(1);
    shown.rerender(
      <AppRouterContext.Provider value={router as unknown as AppRouterInstance}>
        <Builds list={{ ...waiting }} />
      </AppRouterContext.Provider>,
    );
    jest.advanceTimersByTime(10_000);
    expect(router.refresh).toHaveBeenCalledTimes(2);
    jest.useRealTimers();
  });

  test('deleted: told with a way back, which takes it out of the bin', async () => {
    show(listOf([entry('a/b', 'Reed rig')]));
    fireEvent.click(screen.getByRole('button', { name: 'Delete' }));
    expect(await screen.findByText('"Reed rig" is in the bin for 30 days.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
    await waitFor(() => expect(asked).toContain('POST /api/bin/build/a%2Fb'));
    expect(asked).toContain('DELETE /api/builds/a%2Fb');
    expect(router.refresh).toHaveBeenCalled();
  });

  test('what the server does not do is said, and nothing is hidden', async () => {
    status = 503;
    show(listOf([entry('a', 'Reed rig')]));
    fireEvent.click(screen.getByRole('button', { name: 'Delete' }));
    expect((await screen.findByRole('alert')).textContent).toContain('could not be deleted');
    expect(screen.getByRole('link', { name: 'Reed rig' })).toBeTruthy();
  });

  test('the bin: put back, or removed for good after a second word', async () => {
    bin = [
      { kind: 'build', id: 'x', name: 'Old rig', deletedAt: 1, until: Date.UTC(2026, 11, 24) },
      { kind: 'part', id: 'own-1', name: 'My fan', deletedAt: 1, until: Date.UTC(2026, 11, 24) },
    ];
    show(listOf([]));
    const old = (await screen.findByText('Old rig')).closest('li') as HTMLElement;
    expect(within(old).getByText(/kept until 24 December/)).toBeTruthy();
    fireEvent.click(within(old).getByRole('button', { name: 'Delete for good' }));
    expect(asked.some((a) => a.startsWith('DELETE'))).toBe(false);
    fireEvent.click(within(old).getByRole('button', { name: 'Yes, with its history' }));
    await waitFor(() => expect(asked).toContain('DELETE /api/bin/build/x'));
    const fan = screen.getByText('My fan').closest('li') as HTMLElement;
    expect(within(fan).queryByRole('button', { name: 'Delete for good' })).toBeNull();
    fireEvent.click(within(fan).getByRole('button', { name: 'Put back' }));
    await waitFor(() => expect(asked).toContain('POST /api/bin/part/own-1'));
  });

  test('a backup put back says what came of it; one that is none says why', async () => {
    body = { added: 2, kept: 1, advanced: 0, copied: 1, parts: 3 };
    show(listOf([]));
    const file = new File(['zip'], 'all.zip', { type: 'application/zip' });
    fireEvent.change(screen.getByLabelText('Backup file'), { target: { files: [file] } });
    expect(
      await screen.findByText(
        '2 builds added, 1 build put beside yours as a copy, 1 build already here, 3 parts of your own. Nothing here was lost.',
      ),
    ).toBeTruthy();
    status = 400;
    body = {
      error: 'This backup cannot be read.',
      troubles: [{ path: 'backup.json', message: 'is missing' }],
    };
    fireEvent.change(screen.getByLabelText('Backup file'), { target: { files: [file] } });
    expect((await screen.findByRole('alert')).textContent).toContain('backup.json: is missing');
  });
});

test('the page of a build in the bin puts it back, or says that it could not', async () => {
  render(
    <AppRouterContext.Provider value={router as unknown as AppRouterInstance}>
      <BinnedBuild id="x" />
    </AppRouterContext.Provider>,
  );
  status = 503;
  fireEvent.click(screen.getByRole('button', { name: 'Put it back' }));
  expect((await screen.findByRole('alert')).textContent).toContain('did not do it');
  status = 204;
  fireEvent.click(screen.getByRole('button', { name: 'Put it back' }));
  await waitFor(() => expect(router.refresh).toHaveBeenCalled());
  expect(asked).toContain('POST /api/bin/build/x');
});
