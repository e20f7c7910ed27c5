'use client';
import { UNITS_KEY, type UnitSystem } from '@/core/units';
import { choose, useChoice } from './kept';

const isUnits = (value: string | null): value is UnitSystem => value === 'us' || value === 'metric';

/** The units that this person reads. */
export const useUnits = (): UnitSystem => useChoice(UNITS_KEY, isUnits, 'metric');

export const chooseUnits = (units: UnitSystem): void => choose(UNITS_KEY, units);
