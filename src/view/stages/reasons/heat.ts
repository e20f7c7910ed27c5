import type { SpotHeat } from '@/core/thermal';
import { formatCelsius, formatNumber, formatWatts } from '@/core/units';
import type { Reason } from '@/view/shared';
import { msg } from '@/core/messages';

const kw = (v: number): string => `${formatNumber(v, { decimals: 3 })} K/W`;

export function reasonForSpot(s: SpotHeat): Reason {
  return s.cooledBy === null
    ? {
        title: s.name,
        formula: msg`Case air plus the part's watts times its air cooler's resistance.`,
        inputs: [
          { name: msg`case air`, value: formatCelsius(s.coolant_C, 1) },
          { name: msg`heat`, value: formatWatts(s.heat_W) },
          { name: msg`hot spot to air`, value: kw(s.interface_KW) },
        ],
        source: msg`part data; case air from the heat balance`,
      }
    : {
        title: s.name,
        formula: msg`Mean coolant in the block plus the part's watts times the block's
          resistance at this flow and the resistance from hot spot to block.`,
        inputs: [
          { name: msg`coolant in the block`, value: formatCelsius(s.coolant_C, 1) },
          { name: msg`heat`, value: formatWatts(s.heat_W) },
          { name: msg`block at this flow`, value: kw(s.block_KW ?? 0) },
          { name: msg`hot spot to block`, value: kw(s.interface_KW) },
        ],
        source: msg`block's measured points, R = Rref (Qref/Q)^n; part data`,
      };
}
