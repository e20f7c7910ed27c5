import { formatNumber } from '@/core/units';
import { SPREAD_BESIDE, type Judged } from '@/core/studies';
import type { Reason } from '@/view/shared';
import { msg, worded } from '@/core/messages';

/** What a band of flow, noise or price was drawn from. */
const BESIDE = worded(
  () =>
    ({
      flow: {
        title: msg`90 % range of the flow`,
        inputs: [
          { name: msg`the pump's head`, value: `± ${formatNumber(100 * SPREAD_BESIDE.head)} %` },
          {
            name: msg`all of the loop resistance`,
            value: `± ${formatNumber(100 * SPREAD_BESIDE.losses)} %`,
          },
        ],
        beyond: msg`move less than the brief asks`,
      },
      noise: {
        title: msg`90 % range of the noise`,
        inputs: [
          {
            name: msg`level of each fan and pump`,
            value: msg`± ${formatNumber(SPREAD_BESIDE.sound_dB, { decimals: 1 })} dB`,
          },
        ],
        beyond: msg`are louder than the brief allows`,
      },
      price: {
        title: msg`90 % range of the price`,
        inputs: [
          {
            name: msg`each price until it is quoted`,
            value: `± ${formatNumber(100 * SPREAD_BESIDE.price)} %`,
          },
        ],
        beyond: msg`cost more than the budget`,
      },
    }) as const,
);

export const reasonForBeside = (of: keyof typeof BESIDE, { beyond }: Judged): Reason => ({
  title: BESIDE[of].title,
  formula: msg`${drawn()} The draws are seeded: the same build shows the same band.`,
  inputs: [
    ...BESIDE[of].inputs,
    { name: BESIDE[of].beyond, value: msg`${formatNumber(100 * beyond)} in 100` },
  ],
  source: msg`standard deviations by common practice, no source`,
});
const drawn = () =>
  msg`Draws of what the papers do not settle, each worked out; the middle nine tenths are shown.`;
