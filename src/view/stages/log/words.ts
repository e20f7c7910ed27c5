import { componentName, type Design } from '@/core/design';
import { QUANTITY_UNIT, type CauseKind, type Diagnosis, type Quantity } from '@/core/log';
import { formatMeasure, formatNumber, formatShown } from '@/core/units';

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
    'as worked out': 'Nothing: it runs as worked out',
    clogged: `Something blocks the flow (the loop resistance is ${times})`,
    'air in the loop': `Air in the loop (the loop resistance is ${times}, and gurgles)`,
    'pump slow': `${name} turns at ${share} of what it tells`,
    dust: `Dust in the radiators (they pass ${share})`,
    'fan stopped': `${name} is stopped`,
    'fans turned round': `${name}: its fans blow in the other direction`,
    'warm air at the intake': `The air drawn in is ${formatMeasure(amount, 'K')} warmer than the room`,
    'block sits badly': `${name} sits badly (its resistance ${times})`,
    'thermometer of the coolant': `The thermometer of ${name} reads ${formatMeasure(amount, 'K', { signed: true })}`,
    'thermometer of a part': `The sensor of ${name} reads ${formatMeasure(amount, 'K', { signed: true })}`,
  };
  return { title: titles[kind], test: TESTS[kind] };
}

function nameOf(design: Design, of: string): string {
  const loop = design.loops.find((l) => l.id === of);
  return loop?.name ?? componentName(design, of.split('/')[0] ?? of);
}

const TESTS: Readonly<Record<CauseKind, string>> = {
  'as worked out': 'Go on reading once a month: a change shows long before it hurts.',
  clogged:
    'Let the pump run at full speed: flow that stays low by the same share is clogging; look between the fins of the blocks first.',
  'air in the loop':
    'Tilt the machine to each side with the pump running: bubbles in the reservoir and a change of sound mean air. Top up and wait a day.',
  'pump slow':
    'Listen, and read its speed on another header. A pump that is right turns up at once when asked.',
  dust: 'Shine a lamp through the fins. Blow them out, holding the fans still, and read again.',
  'fan stopped': 'Look at every fan while the machine runs. A strip of paper shows the air.',
  'fans turned round':
    'Hold a strip of paper before the radiator: it shows the direction of the air.',
  'warm air at the intake':
    'Hold the room thermometer right before the intake: a wall, a heater or the own exhaust may warm it.',
  'block sits badly':
    'One part hot over cool coolant: take the block off, look at the print of the paste, clean, paste, tighten crosswise.',
  'thermometer of the coolant':
    'Leave everything switched off overnight: then coolant, parts and room must read alike.',
  'thermometer of a part':
    'Leave everything switched off overnight: then coolant, parts and room must read alike.',
};
