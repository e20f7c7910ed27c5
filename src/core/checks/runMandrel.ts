import { loopOfRun, type Mandrels } from '../design';
import { formatMillimetres, formatNumber } from '../units';
import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import type { SpatialCheck } from './inputs';

/** A bend within this of a mandrel's angle is that mandrel's, degrees (common practice, no source). */
const SAME_DEG = 1;
/** And within this of its radius, mm. */
const SAME_MM = 0.5;

const inHandWords = ({ angles_deg, radii_mm }: Mandrels): string =>
  radii_mm
    ? msg`${angles_deg.join(', ')}° at ${radii_mm.join(', ')} mm`
    : msg`${angles_deg.join(', ')}°`;

export const runMandrel: SpatialCheck = {
  code: 'run.mandrel',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`A bend of hard tube has an angle or a radius that none of the mandrels in hand
      makes. Route it again, take another mandrel, or set the route by hand.`;
  },
  get source() {
    return msg`the mandrels named for the loop; 1° and 0.5 mm as the same are common practice, no
      source`;
  },
  run: (context) =>
    context.runs.flatMap((run): Diagnostic[] => {
      const loop = context.design.loops.find((l) => l.id === run.loop);
      if (!loop?.mandrels || !run.routed || !loopOfRun(loop, run.id).tube.hard) return [];
      const { mandrels } = loop;
      const all = run.routed.lra.filter((bend) => !isMade(bend, mandrels)),
        [wrong] = all;
      if (!wrong) return [];
      const missing = [...new Set(all.map((b) => Math.round(b.angle_deg)))];
      return [
        {
          subjects: [run.id],
          title: msg`${run.name}: no mandrel in hand for its bend of
            ${formatNumber(wrong.angle_deg, { decimals: 1 })}°`,
          detail: msg`It is bent by ${formatNumber(wrong.angle_deg, { decimals: 1 })}° at
            ${formatMillimetres(wrong.radius_mm)}; in hand are ${inHandWords(mandrels)}.`,
          measured: wrong.angle_deg,
          unit: '°',
          candidates: () => [
            {
              label: msg`Take ${missing.join(', ')}° into the set`,
              edit: {
                do: 'loop.mandrels',
                loop: loop.id,
                mandrels: {
                  ...mandrels,
                  angles_deg: [...new Set([...mandrels.angles_deg, ...missing])].sort(
                    (a, b) => a - b,
                  ),
                },
              },
            },
          ],
        },
      ];
    }),
};

const isMade = (
  { angle_deg, radius_mm }: { readonly angle_deg: number; readonly radius_mm: number },
  { angles_deg, radii_mm }: Mandrels,
): boolean =>
  angles_deg.some((a) => Math.abs(a - angle_deg) <= SAME_DEG) &&
  (radii_mm === undefined || radii_mm.some((r) => Math.abs(r - radius_mm) <= SAME_MM));
