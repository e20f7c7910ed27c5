import type { Fix, Said } from '../finding';
import type { BuildRule } from './context';

export const coolantAttacks: BuildRule = {
  code: 'coolant.attacks', severity: 'fails', stage: 'materials',
  meaning: 'The coolant swells, hazes or cracks the tube it would run in. Take another coolant, or another tube.',
  source: 'the coolant\'s own data; glycol above a third crazes acrylic under stress (common practice, no source)',
  check: ({ build, offer }) => build.loops.flatMap((loop): Said[] => {
    if (!(loop.coolant.attacks ?? []).includes(loop.tube.material)) return [];
    const other = offer.flatMap((p) => (p.kind === 'coolant' && !(p.attacks ?? []).includes(loop.tube.material) && p.look === loop.coolant.look && p.inhibitor_months > 0 ? [p] : [])).sort((a, b) => a.price_minor / a.bottle_mL - b.price_minor / b.bottle_mL)[0];
    const fixes: Fix[] = other ? [{ label: `Fill it with ${other.name}`, edit: { do: 'loop.coolant', loop: loop.id, coolant: other, age_months: 0 } }] : [];
    return [{ subjects: [loop.id], title: `${loop.coolant.name} attacks ${loop.tube.material}`, detail: `${loop.name} runs in ${loop.tube.name}. It may leak or crack after weeks.`, fixes }];
  }),
};
