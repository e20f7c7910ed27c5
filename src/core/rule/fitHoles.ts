import { nameOf, type BuildRule } from './context';

/** What a spot's screw holes and a part's foot do not share. */
export const fitHoles: BuildRule = {
  code: 'fit.holes', severity: 'tight', stage: 'case',
  meaning: 'The screw holes of the place do not match the foot of what stands there. A bracket between the two solves it; the bracket maker on the Case stage draws one.',
  source: 'hole patterns of the case and the part',
  check: (context) => context.build.items.flatMap((item) => {
    const { placement, part } = item;
    const spot = placement.on === 'spot' ? context.build.case?.spots.find((s) => s.id === placement.spot) : undefined;
    if (!spot?.holes || !part.foot || part.foot.length === 0) return [];
    const turned = placement.on === 'spot' && (placement.turn === 90 || placement.turn === 270);
    const want = turned ? { x_mm: spot.holes.z_mm, z_mm: spot.holes.x_mm } : spot.holes;
    if (part.foot.some((f) => Math.abs(f.x_mm - want.x_mm) < 0.6 && Math.abs(f.z_mm - want.z_mm) < 0.6)) return [];
    return [{
      subjects: [item.id], title: `${nameOf(context, item.id)} does not meet the holes of “${spot.name}”`,
      detail: `The place has holes ${want.x_mm} × ${want.z_mm} mm apart; the foot has ${part.foot.map((f) => `${f.x_mm} × ${f.z_mm}`).join(' or ')} mm. Make a bracket.`,
    }];
  }),
};
