import { formatCubicMetres } from '../units';
import { airFixes } from './airFixes';
import type { Diagnostic } from './diagnostic';
import { nameOf, type OperatingCheck } from './inputs';

/** Less than this is no wind, m³/h. */
const LEAST_M3H = 1;

export const airBackwards: OperatingCheck = {
  code: 'air.backwards',
  severity: 'marginal',
  stage: 'cooling',
  meaning:
    'Air goes through a radiator or a row of fans the other way than its fans turn: the others are stronger, or these stand still. Turn it round, or let its fans turn faster.',
  source: 'the balance of all fans and openings',
  run: (context) =>
    [...context.heat.radiators, ...context.heat.caseFans].flatMap((row): Diagnostic[] =>
      row.reversed && row.airFlow_m3h > LEAST_M3H
        ? [
            {
              subjects: [row.id],
              title: `Air goes ${row.air} through ${nameOf(context, row.id)}, against its fans`,
              detail: `${formatCubicMetres(row.airFlow_m3h)} pass it the wrong way.`,
              candidates: () => airFixes(context),
            },
          ]
        : [],
    ),
};
