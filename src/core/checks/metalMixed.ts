import { ANODIC_INDEX } from '../corrosion';
import { msg } from '../messages';
import type { OperatingCheck } from './inputs';
import { replacements, tellPair } from './metalPair';

export const metalMixed: OperatingCheck = {
  code: 'metal.mixed',
  severity: 'fails',
  stage: 'materials',
  get meaning() {
    return msg`Two wetted metals in one loop lie farther apart on the anodic index than any
      coolant allows, so the less noble one dissolves. Aluminium with copper, brass or nickel
      fails whatever the inhibitor. Change one of the carriers: copper, brass and nickel
      throughout, or aluminium alone.`;
  },
  get source() {
    return msg`Anodic index as reprinted from MIL-STD-889 / MIL-F-14072, from memory`;
  },
  run: (context) =>
    context.corrosion.pairs
      .filter((p) => p.verdict === 'fails')
      .map((pair) => ({
        ...tellPair(context, pair),
        candidates: () =>
          ANODIC_INDEX[pair.dissolves] > ANODIC_INDEX.chrome
            ? (pair.carriers[pair.dissolves] ?? []).flatMap((id) =>
                replacements(context, id, pair.dissolves),
              )
            : [],
      })),
};
