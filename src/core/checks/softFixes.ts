import type { Design, Loop } from '../design';
import { msg } from '../messages';
import type { Fix } from './diagnostic';
import { judgePolymers, type WettedPolymer } from '../corrosion';
import type { CoolantPart, TubePart } from '../components';
import type { CheckInputs } from './inputs';

/** Parts concerned; the loop where it is the tube or a fitting. */
export const subjectsOf = (soft: WettedPolymer): readonly string[] => [
  ...new Set(soft.carriers.map((c) => (c.component.includes(':') ? soft.loop : c.component))),
];

export const tellSoft = ({ carriers, because }: WettedPolymer): string =>
  `${carriers
    .map(({ name, as }) => {
      if (as === 'seal') return msg`${name} (seal)`;
      return as === 'tube' ? msg`${name} (tube)` : name;
    })
    .join(', ')}: ${because ?? ''}.`;

const worst = (design: Design, loop: string): number =>
  Math.max(
    0,
    ...judgePolymers(design)
      .filter((s) => s.loop === loop)
      .map((s) => {
        if (s.verdict === 'fails') return 2;
        if (s.verdict === 'marginal') return 1;
        return 0;
      }),
  );
const withLoop = (design: Design, loop: Loop): Design => ({
  ...design,
  loops: design.loops.map((l) => (l.id === loop.id ? loop : l)),
});

/**
 * The cheapest coolant of the same look, with an inhibitor, that every plastic and rubber of the
 * loop takes better.
 */
export function unharmed({ design, offer }: CheckInputs, loop: Loop): readonly Fix[] {
  const now = worst(design, loop.id);
  const [other] = offer
    .filter(
      (p): p is CoolantPart =>
        p.kind === 'coolant' &&
        p.look === loop.coolant.look &&
        p.inhibitor_months > 0 &&
        worst(withLoop(design, { ...loop, coolant: p }), loop.id) < now,
    )
    .sort((a, b) => a.price_minor / a.bottle_mL - b.price_minor / b.bottle_mL);
  return other
    ? [
        {
          label: msg`Fill it with ${other.name}`,
          edit: { do: 'loop.coolant', loop: loop.id, coolant: other, age_months: 0 },
        },
      ]
    : [];
}

/** A soft tube of the same size that gives nothing off. */
export function harmlessTube({ design, offer }: CheckInputs, loop: Loop): readonly Fix[] {
  const tube = offer.find(
    (p): p is TubePart =>
      p.kind === 'tube' &&
      !p.hard &&
      p.material !== loop.tube.material &&
      p.outer_mm === loop.tube.outer_mm &&
      p.inner_mm === loop.tube.inner_mm &&
      worst(withLoop(design, { ...loop, tube: p }), loop.id) === 0,
  );
  return tube
    ? [
        {
          label: msg`Use ${tube.name}`,
          edit: { do: 'loop.tube', loop: loop.id, tube, fitting: loop.fitting },
        },
      ]
    : [];
}
