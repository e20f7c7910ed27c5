import { expect, test } from '@jest/globals';
import pins from '@reference/pins-corrosion.json';
import { pin } from './corrosion';
import { rounded } from './variants';

/** As they stand, not from outside: a change of any shows. `npx tsx scripts/pins.ts` sets them anew. */
test('every figure of corrosion of the pinned builds is as it was', () => {
  expect(rounded(pin())).toEqual(pins);
});
