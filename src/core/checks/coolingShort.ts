import { msg, sentences } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { worstRise } from '../thermal';
import { formatKelvin, formatNumber } from '../units';
import { airFixes } from './airFixes';
import { neededWords } from './neededWords';
import { moreRadiators } from './moreRadiators';
import { quietestFix } from './quietestFix';
import { nameOf, type CheckInputs, type OperatingCheck } from './inputs';

export const coolingShort: OperatingCheck = {
  code: 'cooling.short',
  severity: 'fails',
  stage: 'cooling',
  get meaning() {
    return msg`The coolant settles farther above the room than the brief allows, or has no
      steady temperature at all. More sections, faster fans or less heat. What is offered was
      tried whole: a radiator is placed, connected and evaluated with its fans and air.`;
  },
  get source() {
    return msg`the brief; temperature from the heat model`;
  },
  run: (context) => {
    const { deltaT_K } = context.design.brief.limits;
    const diagnostic: Diagnostic[] = context.heat.loops
      .filter((l) => l.status === 'no-radiator' && l.heatIn_W > 0)
      .map((l) => ({
        subjects: [l.id],
        title: msg`Nothing cools ${context.design.loops.find((x) => x.id === l.id)?.name ?? l.id}`,
        detail: msg`The loop has no radiator, so its coolant would warm without end. Add one
          from the catalogue and put it into the loop.`,
      }));
    const rise = worstRise(context.heat);
    if (rise !== null && rise > deltaT_K + 0.005) {
      const { sizing } = context;
      const loop = context.heat.loops.reduce((a, b) =>
        (b.deltaT_K ?? 0) > (a.deltaT_K ?? 0) ? b : a,
      );
      diagnostic.push({
        subjects: [loop.id],
        title: msg`Coolant settles ${formatKelvin(rise)} above room air`,
        detail: sentences(
          msg`You allow ${formatKelvin(deltaT_K)}.`,
          neededWords(sizing.sectionsNeeded),
          msg`You have ${sizing.sections}.`,
          sizing.sectionsNeeded === Infinity && whyNoArea(context),
          sizing.quietestSpeed_rpm === null && msg`Even full fan speed is not enough.`,
        ),
        measured: rise,
        limit: deltaT_K,
        unit: 'K',
        candidates: () => [
          ...quietestFix(context),
          ...[
            ...fasterFans(context),
            // Where no area would do, it is the airflow that must change.
            ...(sizing.sectionsNeeded === Infinity
              ? [...airFixes(context), ...radiatorFixes(context)]
              : [...radiatorFixes(context), ...airFixes(context)]),
          ].map((fix) => ({
            ...fix,
            tells: 'deltaT' as const,
          })),
        ],
      });
    }
    for (const r of context.thermalModel.radiators) {
      if (r.fans.length === 0)
        diagnostic.push({
          severity: 'marginal',
          subjects: [r.id],
          title: msg`${nameOf(context, r.id)} has no fans`,
          detail: msg`In still air it sheds only a few watts a kelvin. Put fans on it from the
            catalogue.`,
        });
    }
    return diagnostic;
  },
};

/** The slowest fans that meet the coolant ΔT, where no setting meets the noise as well. */
function fasterFans({ sizing, design }: CheckInputs): readonly Fix[] {
  const rpm = sizing.quietestSpeed_rpm;
  const isQuiet = (sizing.quietestNoise_dBA ?? 0) <= design.brief.limits.noise_dBA;
  if (rpm === null || isQuiet) return [];
  const speed_rpm = Math.ceil(rpm / 10) * 10;
  return [
    {
      label: msg`Run the fans at ${formatNumber(speed_rpm)} rpm`,
      edit: { do: 'fans.speed', speed_rpm },
    },
  ];
}

/** Of those, so many are tried: the rest of the tries are for changes of the airflow. */
const MOST_RADIATORS = 4;

/** One more radiator on a free mount, either way of its air, really placed. */
const radiatorFixes = ({ design, offer }: CheckInputs): readonly Fix[] =>
  (['usual', 'other'] as const)
    .flatMap((air) => moreRadiators(design, offer, air).slice(0, MOST_RADIATORS / 2))
    .map(({ part, mountName, air, edit }) => ({
      label: msg`One more ${part.name} on the ${mountName.toLowerCase()},
        ${air === 'in' ? msg`drawing in` : msg`blowing out`}`,
      edit,
    }));

/** Why more of the same radiators would not do, where that is so. */
function whyNoArea({ heat, design }: CheckInputs): string {
  const { room_C } = design.brief;
  const breathing = heat.radiators.filter((r) => r.airIn_C > room_C + 1);
  if (breathing.length > 0)
    return msg`More radiators that draw in warm the case air that those blowing out breathe:
      change who blows where.`;
  if (heat.radiators.every((r) => r.speed_rpm <= 0)) return msg`No fan turns.`;
  return msg`More fans press against the same vents: reverse some fans, or open the case.`;
}
