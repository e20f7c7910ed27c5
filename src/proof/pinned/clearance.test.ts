import { expect, test } from '@jest/globals';
import pins from '@reference/pins-clearance.json';
import { pin } from './clearance';
import { rounded } from './variants';

/** As they stand, not from outside: a change of any shows. `npx tsx scripts/pins.ts` sets them anew. */
test('every figure of clearance of the pinned builds is as it was', () => {
  expect(rounded(pin())).toEqual(pins);
});
