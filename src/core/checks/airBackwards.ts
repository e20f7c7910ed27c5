import { formatCubicMetres } from '../units';
import { msg } from '../messages';
import { airFixes } from './airFixes';
import type { Diagnostic } from './diagnostic';
import { nameOf, type OperatingCheck } from './inputs';

/** Less than this is no wind, m³/h. */
const LEAST_M3H = 1;

export const airBackwards: OperatingCheck = {
  code: 'air.backwards',
  severity: 'marginal',
  stage: 'cooling',
  get meaning() {
    return msg`Air flows through a radiator or a row of fans against its fans: the others are
      stronger, or these are stopped. Turn it round, or speed up its fans.`;
  },
  get source() {
    return msg`the balance of all fans and openings`;
  },
  run: (context) =>
    [...context.heat.radiators, ...context.heat.caseFans].flatMap((row): Diagnostic[] =>
      row.reversed && row.airFlow_m3h > LEAST_M3H
        ? [
            {
              subjects: [row.id],
              title: msg`Air goes ${row.air} through ${nameOf(context, row.id)}, against its fans`,
              detail: msg`${formatCubicMetres(row.airFlow_m3h)} pass it in the wrong direction.`,
              candidates: () => airFixes(context),
            },
          ]
        : [],
    ),
};
