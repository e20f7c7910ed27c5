import { componentName, type Design } from '@/core/design';
import { QUANTITY_UNIT, type CauseKind, type Diagnosis, type Quantity } from '@/core/log';
import { formatMeasure, formatNumber, formatShown } from '@/core/units';
import { msg, worded } from '@/core/messages';

const decimalsOf = (kind: Quantity['kind']): number => (kind === 'flow' ? 2 : 1);

/** A figure of a reading, without its unit. */
export const figureText = (kind: Quantity['kind'], value: number): string =>
  formatShown(value, QUANTITY_UNIT[kind], { decimals: decimalsOf(kind) });

/** How far two such figures lie apart: of temperatures a difference. */
export const apartText = (kind: Quantity['kind'], by: number): string =>
  formatShown(by, kind === 'spot' ? 'K' : QUANTITY_UNIT[kind], { decimals: decimalsOf(kind) });

/** A cause in words, and the test that tells it from its neighbours. */
export function causeWords(
  design: Design,
  { kind, of, amount }: Diagnosis,
): { readonly title: string; readonly test: string } {
  const name = of === '' ? '' : nameOf(design, of);
  const times = `× ${formatNumber(amount, { decimals: 1 })}`;
  const share = `${formatNumber(100 * amount)} %`;
  const titles: Readonly<Record<CauseKind, string>> = {
    'as worked out': msg`Nothing: it runs as worked out`,
    clogged: msg`Something blocks the flow (the loop resistance is ${times})`,
    'air in the loop': msg`Air in the loop (the loop resistance is ${times}, and gurgles)`,
    'pump slow': msg`${name} turns at ${share} of what it tells`,
    dust: msg`Dust in the radiators (they pass ${share})`,
    'fan stopped': msg`${name} is stopped`,
    'fans turned round': msg`${name}: its fans blow in the other direction`,
    'warm air at the intake': msg`The air drawn in is ${formatMeasure(amount, 'K')} warmer than
      the room`,
    'block sits badly': msg`${name} sits badly (its resistance ${times})`,
    'thermometer of the coolant': msg`The thermometer of ${name} reads
      ${formatMeasure(amount, 'K', { signed: true })}`,
    'thermometer of a part': msg`The sensor of ${name} reads
      ${formatMeasure(amount, 'K', { signed: true })}`,
  };
  return { title: titles[kind], test: TESTS[kind] };
}

function nameOf(design: Design, of: string): string {
  const loop = design.loops.find((l) => l.id === of);
  return loop?.name ?? componentName(design, of.split('/')[0] ?? of);
}

const TESTS: Readonly<Record<CauseKind, string>> = worded(() => ({
  'as worked out': msg`Go on reading once a month: a change shows long before it hurts.`,
  clogged: msg`Let the pump run at full speed: flow that stays low by the same share is
    clogging; look between the fins of the blocks first.`,
  'air in the loop': msg`Tilt the machine to each side with the pump running: bubbles in the
    reservoir and a change of sound mean air. Top up and wait a day.`,
  'pump slow': msg`Listen, and read its speed on another header. A pump that is right turns up
    at once when asked.`,
  dust: msg`Shine a lamp through the fins. Blow them out, holding the fans still, and read again.`,
  'fan stopped': msg`Look at every fan while the machine runs. A strip of paper shows the air.`,
  'fans turned round': msg`Hold a strip of paper before the radiator: it shows the direction of
    the air.`,
  'warm air at the intake': msg`Hold the room thermometer right before the intake: a wall, a
    heater or the own exhaust may warm it.`,
  'block sits badly': msg`One part hot over cool coolant: take the block off, look at the print
    of the paste, clean, paste, tighten crosswise.`,
  'thermometer of the coolant': msg`Leave everything switched off overnight: then coolant, parts
    and room must read alike.`,
  'thermometer of a part': msg`Leave everything switched off overnight: then coolant, parts and
    room must read alike.`,
}));
