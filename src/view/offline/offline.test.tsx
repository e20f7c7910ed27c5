/** @jest-environment jsdom */
import 'fake-indexeddb/auto';
import { TextDecoder, TextEncoder } from 'node:util';
import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import {
  AppRouterContext,
  type AppRouterInstance,
} from 'next/dist/shared/lib/app-router-context.shared-runtime';
import { PathnameContext } from 'next/dist/shared/lib/hooks-client-context.shared-runtime';
import { demoDesign } from '@/catalogue';
import { BUILD_VERSION, type Design } from '@/core/design';
import { openOutbox } from '@/view/workspace/outbox';
import { Offline } from './Offline';

Object.assign(globalThis, {
  TextEncoder,
  TextDecoder,
  structuredClone: (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown,
  ResizeObserver: class {
    observe(): void {}
    unobserve(): void {}
    disconnect(): void {}
  },
});
Object.defineProperty(navigator, 'locks', {
  configurable: true,
  value: {
    request: (_: string, __: object, work: (lock: object) => Promise<void>) =>
      Promise.resolve(work({})),
  },
});

const desk = demoDesign('dawn-chorus-desk') as Design;
const router = { push: jest.fn(), refresh: jest.fn() } as unknown as AppRouterInstance;

const show = (path: string) => {
  window.history.replaceState(null, '', path);
  return render(
    <AppRouterContext.Provider value={router}>
      <PathnameContext.Provider value={path}>
        <Offline />
      </PathnameContext.Provider>
    </AppRouterContext.Provider>,
  );
};

/** A build that was worked on in this browser. */
async function keep(id: string, name: string): Promise<void> {
  const { outbox } = await openOutbox(id, () => undefined);
  const design = { ...desk, name };
  await outbox.append({ type: 'undo' }, () => ({
    type: 'state',
    version: BUILD_VERSION,
    design,
    revision: 2,
    base: design,
    unheard: null,
    past: [],
    future: [],
  }));
  outbox.close();
}

beforeEach(() => {
  Object.defineProperty(window, 'matchMedia', {
    configurable: true,
    value: () => ({ matches: false, addEventListener: jest.fn(), removeEventListener: jest.fn() }),
  });
  globalThis.fetch = (() => Promise.reject(new Error('away'))) as unknown as typeof fetch;
});

describe('the page that stands in for the server', () => {
  test('where nothing is kept it says what to do', async () => {
    show('/');
    expect(await screen.findByText(/This browser keeps no build yet/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Try the server again' })).toBeTruthy();
  });

  test('lists what is kept, each with its way in', async () => {
    await keep('reed-1', 'Reed rig');
    await keep('wren/2', 'Wren box');
    show('/validation');
    const link = await screen.findByRole('link', { name: 'Wren box' });
    expect(link.getAttribute('href')).toBe('/builds/wren%2F2/heat');
    expect(screen.getByRole('link', { name: 'Reed rig' })).toBeTruthy();
  });

  test('an address of a build that is not kept leads to those that are', async () => {
    await keep('reed-1', 'Reed rig');
    show('/builds/ghost/flow');
    expect(await screen.findByRole('link', { name: 'Reed rig' })).toBeTruthy();
  });

  test('an address of one that is kept opens it where it was asked for', async () => {
    await keep('reed-1', 'Reed rig');
    show('/builds/reed-1/brief');
    const name = await screen.findByLabelText<HTMLInputElement>('Name of the build');
    expect(name.value).toBe('Reed rig');
    expect(await screen.findByRole('navigation', { name: 'Stages' })).toBeTruthy();
  });
});
