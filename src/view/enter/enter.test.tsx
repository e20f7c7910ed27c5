/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { Enter } from './Enter';

let answers: { readonly status: number; readonly body?: unknown }[];
let said: unknown[];
const before = globalThis.fetch;
beforeEach(() => {
  answers = [];
  said = [];
  globalThis.fetch = ((_: string, init: { body: string }) => {
    said.push(JSON.parse(init.body));
    const next = answers.shift();
    if (!next) return Promise.reject(new Error('no network'));
    return Promise.resolve({
      ok: next.status < 400,
      status: next.status,
      json: () => Promise.resolve(next.body),
    });
  }) as unknown as typeof fetch;
});
afterEach(() => {
  globalThis.fetch = before;
});

const enter = (words: string): void => {
  fireEvent.change(screen.getByLabelText('Passphrase'), { target: { value: words } });
  fireEvent.click(screen.getByRole('button', { name: 'Enter' }));
};

describe('where the passphrase is said', () => {
  test('nothing is asked before something is typed, and that is said', async () => {
    render(<Enter />);
    fireEvent.click(screen.getByRole('button', { name: 'Enter' }));
    expect(await screen.findByText('Say the passphrase.')).toBeTruthy();
    enter('a'.repeat(501));
    expect(await screen.findByText('A passphrase has at most 500 letters.')).toBeTruthy();
    expect(said).toEqual([]);
  });

  test('a wrong one is told, and can be tried again', async () => {
    answers = [
      { status: 401, body: { error: 'This is not the passphrase.' } },
      { status: 429, body: { error: 'Too many wrong tries. Wait 4 s.' } },
    ];
    render(<Enter />);
    enter('a guess');
    expect(await screen.findByText('This is not the passphrase.')).toBeTruthy();
    expect(said).toEqual([{ passphrase: 'a guess' }]);
    enter('another guess');
    expect(await screen.findByText('Too many wrong tries. Wait 4 s.')).toBeTruthy();
  });

  test('without a server that is said, and what was typed is still there', async () => {
    render(<Enter />);
    enter('wren reed willow');
    expect(await screen.findByText('The server cannot be reached.')).toBeTruthy();
    await waitFor(() =>
      expect((screen.getByLabelText('Passphrase') as HTMLInputElement).value).toBe(
        'wren reed willow',
      ),
    );
  });
});
