'use client';
import { useSyncExternalStore } from 'react';

/** A year: as long as browsers keep what is theirs to keep. */
const KEPT_S = 31_536_000;

/** Another window that changes a choice is followed when this one loads again: words are made once. */
const neverChanges = (): (() => void) => () => undefined;

/** What the person chose, as it is kept; null where the browser keeps nothing. */
function kept(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

/** A person's choice on this page; `usual` in what the server sent, and until they choose. */
export const useChoice = <T extends string>(
  key: string,
  isChoice: (value: string | null) => value is T,
  usual: T,
): T =>
  useSyncExternalStore<T>(
    neverChanges,
    () => {
      const value = kept(key);
      return isChoice(value) ? value : usual;
    },
    () => usual,
  );

/**
 * Keeps a choice in this browser, and in a cookie, by which the server answers in it; then loads
 * the page again. Edits are kept before they are sent.
 */
export function choose(key: string, value: string): void {
  localStorage.setItem(key, value);
  document.cookie = `${key}=${value}; path=/; max-age=${KEPT_S}; samesite=strict`;
  window.location.reload();
}
