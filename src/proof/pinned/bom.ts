import { CATALOGUE } from '@/catalogue';
import { compileSystem } from '@/core/system';
import { runsOf } from '@/core/routing';
import {
  buildBom,
  cheapestPurchase,
  coolantCost,
  coolantExpansion,
  coolantHabits,
  cutPlan,
  growthVerdict,
  leadTimes,
  loopExpansion,
  mixFor,
  requirements,
  spareAdvice,
  stepOf,
  type Feed,
} from '@/core/bom';
import { randomBy } from '@/core/units';
import { variants } from './variants';

/** Lists of every variant with what hangs on them; cutting, buying, coolants and growth besides. */
export const pin = (): unknown => ({
  lists: variants(3).map(({ id, design }) => {
    const system = compileSystem(design);
    const runs = runsOf(system);
    const { lines, volumes, ...list } = buildBom(system, runs);
    const whole = { ...list, lines, volumes };
    return {
      id,
      ...list,
      volumes,
      lines: lines.map((l) => [
        l.part,
        l.quantity,
        l.total,
        l.have,
        `${l.unit}${l.owned ? ' owned' : ''}${l.tool ? ' tool' : ''}${l.inBudget ? '' : ' outside'}`,
        l.for.join(),
        l.why,
      ]),
      wishes: requirements(system, whole, CATALOGUE).map((w) => [
        w.component,
        w.plainest,
        w.more_minor,
      ]),
      spares: spareAdvice(design, whole).map((s) => [s.part, s.price_minor]),
      growth: design.loops.map((loop) =>
        loopExpansion(
          system,
          loop,
          runs,
          volumes.find((v) => v.loop === loop.id)?.total_mL ?? 0,
          48,
        ),
      ),
    };
  }),
  cuts: cuts(),
  baskets: baskets(),
  coolants: CATALOGUE.flatMap((p) =>
    p.kind === 'coolant' ? [[p.id, mixFor(p, 870), coolantCost(p, 870), coolantHabits(p)]] : [],
  ),
  growth: growths(),
  steps: CATALOGUE.map((p) => [p.id, stepOf(p)]),
  waits: leadTimes(CATALOGUE.slice(0, 60).map((part, i) => ({ part, days: (7 * i) % 11 }))),
});

/** Random pieces from sticks of some lengths. */
function cuts(): unknown {
  const random = randomBy(7);
  return Array.from({ length: 24 }, (_, i) => {
    const pieces = Array.from({ length: 3 + (i % 9) }, (_x, k) => ({
      id: `p${k}`,
      length_mm: Math.round(60 + 520 * random()),
    }));
    return [500, 1000].map((stick_mm) => cutPlan(pieces, stick_mm, 2 + (i % 3)));
  });
}

/** Random prices, stocks and shipping of some shops. */
function baskets(): unknown {
  const random = randomBy(13);
  const wholeUpTo = (n: number): number => Math.floor(n * random());
  return Array.from({ length: 16 }, () => {
    const feeds = Array.from({ length: 4 }, (_, k): Feed => ({
      shop: {
        id: `s${k}`,
        name: `Shop ${k}`,
        shipping_minor: 300 + wholeUpTo(900),
        freeFrom_minor: k % 2 ? 4000 + wholeUpTo(9000) : null,
        tax_percent: 20,
        days: 1 + wholeUpTo(5),
      },
      offers: Array.from({ length: 7 }, (_x, p) => ({
        shop: `s${k}`,
        part: `part${p}`,
        price_minor: 400 + wholeUpTo(3000),
        stock: random() < 0.3 ? null : wholeUpTo(7),
        extraDays: wholeUpTo(3),
      })),
    }));
    const wanted = Array.from({ length: 7 }, (_, p) => ({
      part: `part${p}`,
      name: `Part ${p}`,
      quantity: wholeUpTo(4),
    }));
    return cheapestPurchase(wanted, feeds);
  });
}

/** Growth over fills, airs, temperatures and walls. */
function growths(): unknown {
  const walls = (material: 'soft PVC' | 'PETG' | 'acrylic' | 'EPDM rubber' | 'copper') => [
    { volume_mL: 180, outer_mm: 16, inner_mm: 10, material },
  ];
  const water = { glycol: 'none', volumeShare: 0 } as const,
    mixed = { glycol: 'propylene', volumeShare: 0.3 } as const;
  return [water, mixed].flatMap((base) =>
    ([0, 3, 25, 120] as const).flatMap((air_mL) =>
      (['soft PVC', 'EPDM rubber', 'PETG', 'acrylic', 'copper'] as const).map((material) => {
        const e = coolantExpansion(base, 900, air_mL, 20, 55, walls(material));
        return [e, growthVerdict(e)];
      }),
    ),
  );
}
