import { expect, test } from '@jest/globals';
import { DEMO_BUILDS } from '@/catalogue';
import { compileSystem } from '../system';
import { compileThermalModel } from '../thermal';
import { analyse, obstructedModel } from '.';

test.each(DEMO_BUILDS.map((d) => [d.name, d.design] as const))(
  '%s: every door works with what stands before its radiators',
  (_, design) => {
    const { radiators, caseFans } = obstructedModel(compileSystem(design));
    const { thermalModel } = analyse(design);
    const losses = (of: typeof radiators) => of.map((r) => [r.id, r.filterLoss_Pa]);
    expect(losses(radiators)).toEqual(losses(thermalModel.radiators));
    expect(caseFans.map((f) => f.filterLoss_Pa)).toEqual(
      thermalModel.caseFans.map((f) => f.filterLoss_Pa),
    );
  },
);

test('without it they would breathe more freely', () => {
  const { design } = DEMO_BUILDS[0] as (typeof DEMO_BUILDS)[number];
  const system = compileSystem(design);
  const sum = (of: { readonly radiators: readonly { readonly filterLoss_Pa: number }[] }): number =>
    of.radiators.reduce((s, r) => s + r.filterLoss_Pa, 0);
  expect(sum(obstructedModel(system))).toBeGreaterThan(sum(compileThermalModel(system)));
});
