import type { CoolantPart } from '../components';
import { msg } from '../messages';
import type { Fix } from './diagnostic';
import { DIFFERENCE_LIMIT } from '../corrosion';
import type { OperatingCheck, CheckInputs } from './inputs';
import { tellPair } from './metalPair';

/**
 * Fresh coolant of the same kind where its inhibitor has run out, else one that has an inhibitor
 * and is as easy to keep.
 */
function inhibited(context: CheckInputs, id: string): Fix[] {
  const loop = context.design.loops.find((l) => l.id === id);
  if (!loop) return [];
  const fresh = (coolant: CoolantPart, label: string): Fix => ({
    label,
    edit: { do: 'loop.coolant', loop: id, coolant, age_months: 0 },
  });
  if (loop.coolant.inhibitor_months > 0)
    return [fresh(loop.coolant, msg`Fill it with fresh coolant`)];
  const better = context.offer.find(
    (p): p is CoolantPart =>
      p.kind === 'coolant' && p.inhibitor_months > 0 && p.base.glycol === 'propylene',
  );
  return better ? [fresh(better, msg`Fill it with ${better.name}`)] : [];
}

export const metalMarginal: OperatingCheck = {
  code: 'metal.marginal',
  severity: 'marginal',
  stage: 'materials',
  get meaning() {
    return msg`Two wetted metals in one loop are allowed only just, or only with an inhibitor in
      date. Keep the inhibitor in date, or change a carrier.`;
  },
  get source() {
    return msg`Anodic index as reprinted from MIL-STD-889 / MIL-F-14072, from memory; silver with
      nickel: common practice, no source`;
  },
  run: (context) =>
    context.corrosion.pairs
      .filter((p) => p.verdict === 'marginal')
      .map((pair) => ({
        ...tellPair(context, pair),
        // An inhibitor helps where it lifts the limit above the pair.
        candidates: () =>
          pair.reason !== 'silver-nickel' &&
          context.corrosion.environments[pair.loop] === 'harsh' &&
          pair.difference_V < DIFFERENCE_LIMIT.ordinary - 1e-9
            ? inhibited(context, pair.loop)
            : [],
      })),
};
