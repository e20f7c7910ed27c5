'use client';
import { useSyncExternalStore } from 'react';
import { UNITS_KEY, type UnitSystem } from '@/core/units';
import { keepChoice } from './kept';

/** What the person chose; metric until then, and where the browser keeps nothing. */
function chosen(): UnitSystem {
  try {
    return localStorage.getItem(UNITS_KEY) === 'us' ? 'us' : 'metric';
  } catch {
    return 'metric';
  }
}

/** Another window that changes them is followed when this one loads again, as words are made once. */
const neverChanges = (): (() => void) => () => undefined;

/** The units of this page: what the server sent is metric, and is written anew where they are not. */
export const useUnits = (): UnitSystem =>
  useSyncExternalStore<UnitSystem>(neverChanges, chosen, () => 'metric');

/** Keeps the choice and loads the page again in it: edits are kept before they are sent. */
export function chooseUnits(units: UnitSystem): void {
  keepChoice(UNITS_KEY, units);
  window.location.reload();
}
