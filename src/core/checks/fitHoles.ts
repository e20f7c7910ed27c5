import { missedHoles } from '../clearance';
import { listOr, msg } from '../messages';
import { nameOf, type SpatialCheck } from './inputs';

/** What a spot's screw holes and a part's foot do not share. */
export const fitHoles: SpatialCheck = {
  code: 'fit.holes',
  severity: 'marginal',
  stage: 'case',
  get meaning() {
    return msg`The screw holes of the place do not match the foot of the part on it. A bracket
      between the two solves it; the bracket maker on the Case stage draws one, and the list has
      one.`;
  },
  get source() {
    return msg`hole patterns of the case and the part`;
  },
  run: (context) =>
    context.design.components.flatMap((component) => {
      const missed = missedHoles(context.design, component);
      return missed
        ? [
            {
              subjects: [component.id],
              title: msg`${nameOf(context, component.id)} does not meet the holes of
                “${missed.spot}”`,
              detail: msg`The place has holes ${missed.holes.x_mm} × ${missed.holes.z_mm} mm
                apart; the foot has ${listOr(missed.feet.map((f) => `${f.x_mm} × ${f.z_mm}`))}
                mm. Make a bracket.`,
            },
          ]
        : [];
    }),
};
