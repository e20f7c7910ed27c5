import { formatCelsius, formatFlow, unitShown } from '../units';
import {
  componentName,
  findComponent,
  type ComponentId,
  type Design,
  type Reading,
} from '../design';
import { msg } from '../messages';

/** One figure of a reading. */
export interface Quantity {
  readonly kind: 'coolant' | 'flow' | 'spot' | 'noise';
  /** Loop, `component/spot`, or empty. */
  readonly of: string;
  readonly measured: number;
  /** Standard deviation of what instruments show (common practice, no source). */
  readonly spread: number;
}

/** What thermometers, meters and ears are good for: a share of the value, and at least so much. */
const INSTRUMENT = {
  coolant: { share: 0, least: 0.5 },
  flow: { share: 0.04, least: 0.05 },
  spot: { share: 0, least: 1.5 },
  noise: { share: 0, least: 1.5 },
} as const;

export const QUANTITY_UNIT: Readonly<Record<Quantity['kind'], string>> = {
  coolant: 'K',
  flow: 'L/min',
  spot: '°C',
  noise: 'dBA',
};

/** What a figure of a reading is called; its loop stands before it where there are several. */
export function quantityName(design: Design, { kind, of }: Pick<Quantity, 'kind' | 'of'>): string {
  if (kind === 'noise') return msg`Noise`;
  if (kind === 'spot') {
    const [component = '', ...spot] = of.split('/');
    return `${componentName(design, component)}, ${spot.join('/')}`;
  }
  const [alone, after] =
    kind === 'coolant' ? [msg`Coolant ΔT`, msg`coolant ΔT`] : [msg`Flow`, 'flow'];
  const loop = design.loops.find((l) => l.id === of)?.name ?? of;
  return design.loops.length > 1 ? `${loop}: ${after}` : alone;
}

/** Every figure of a reading in a fixed order. Coolant counts as what it is over the room. */
export function quantitiesOf(reading: Reading): readonly Quantity[] {
  const quantity = (kind: Quantity['kind'], of: string, measured: number): Quantity => {
    const { share, least } = INSTRUMENT[kind];
    return { kind, of, measured, spread: Math.max(least, share * Math.abs(measured)) };
  };
  const each = (
    kind: Quantity['kind'],
    values: Readonly<Record<string, number>> = {},
    less = 0,
  ): readonly Quantity[] =>
    Object.keys(values)
      .sort()
      .map((of) => quantity(kind, of, (values[of] as number) - less));
  return [
    ...each('coolant', reading.coolant_C, reading.room_C),
    ...each('flow', reading.flow_Lmin),
    ...each('spot', reading.spots_C),
    ...(reading.noise_dBA === undefined ? [] : [quantity('noise', '', reading.noise_dBA)]),
  ];
}

/** Why a reading asks to be looked at again; empty when it is plausible. */
export function readingDoubts(design: Design, reading: Reading): readonly string[] {
  const { room_C, coolant_C = {}, flow_Lmin = {}, spots_C = {} } = reading;
  const loopName = (id: string): string => design.loops.find((l) => l.id === id)?.name ?? id;
  const doubts: string[] = [];
  if (!(room_C >= 5 && room_C <= 45))
    doubts.push(msg`A room at ${formatCelsius(room_C, 1)}: is that in ${unitShown('°C')}?`);
  for (const [loop, temp] of Object.entries(coolant_C)) {
    if (temp < room_C - 1)
      doubts.push(
        msg`${loopName(loop)} reads ${formatCelsius(temp, 1)}, below the room at
          ${formatCelsius(room_C, 1)}: no radiator cools below the room. Are the two
          thermometers the same?`,
      );
    if (temp > 70)
      doubts.push(
        msg`${loopName(loop)} reads ${formatCelsius(temp, 1)}: stop the machine if that is true.`,
      );
  }
  for (const [loop, flow] of Object.entries(flow_Lmin))
    if (!(flow >= 0 && flow <= 20))
      doubts.push(msg`${loopName(loop)}: ${formatFlow(flow)} is not in ${unitShown('L/min')}.`);
  for (const [spot, temp] of Object.entries(spots_C)) {
    const coolest = Math.min(room_C, ...Object.values(coolant_C));
    const name = findComponent(design, spot.split('/')[0] as ComponentId)?.name ?? spot;
    if (temp < coolest - 1)
      doubts.push(
        msg`${name} reads ${formatCelsius(temp, 1)}, below what cools it: which sensor is that?`,
      );
  }
  return doubts;
}
