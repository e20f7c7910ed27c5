import { formatCelsius, formatWatts } from '../units';
import { msg } from '../messages';
import type { Diagnostic, Fix } from './diagnostic';
import { nameOf, type CheckInputs, type OperatingCheck } from './inputs';

/**
 * A section that takes less than this share of what the loop's sections take on average is hardly
 * worth its place (common practice, no source).
 */
const LEAST_SHARE = 0.25;

type RadiatorHeat = CheckInputs['heat']['radiators'][number];

const sectionsOf = (context: CheckInputs, id: string): number =>
  context.thermalModel.radiators.find((r) => r.id === id)?.sections ?? 0;

/** What all radiators of a loop take, W a section. */
function perSection(context: CheckInputs, loop: string): number {
  const own = context.heat.radiators.filter((h) => h.loop === loop && h.heat_W !== null);
  const sections = own.reduce((sum, h) => sum + sectionsOf(context, h.id), 0);
  return sections > 0 ? own.reduce((sum, h) => sum + (h.heat_W ?? 0), 0) / sections : 0;
}

/** Its air turned round: from the room where it came from the case. */
function turned(context: CheckInputs, { id }: RadiatorHeat): readonly Fix[] {
  const component = context.design.components.find((c) => c.id === id);
  if (component?.placement.on !== 'mount' || component.placement.air === 'in') return [];
  return [
    {
      label: msg`Make ${component.name} an intake`,
      edit: {
        do: 'component.place',
        component: id,
        placement: { ...component.placement, air: 'in' },
      },
    },
  ];
}

function reasonOf(context: CheckInputs, { speed_rpm, airIn_C }: RadiatorHeat): string {
  const { room_C } = context.design.brief;
  if (speed_rpm <= 0) return msg`No fan turns on it.`;
  if (airIn_C > room_C + 1)
    return msg`It breathes case air of ${formatCelsius(airIn_C, 1)}, the room has
      ${formatCelsius(room_C, 1)}.`;
  return msg`Little coolant reaches it, or its air is restricted.`;
}

export const radiatorIdle: OperatingCheck = {
  code: 'radiator.idle',
  severity: 'marginal',
  stage: 'cooling',
  get meaning() {
    return msg`A radiator takes almost nothing, or warms its coolant: mostly because it breathes
      air that the others have warmed. Make it an intake, give the case more fresh air, or leave
      it out.`;
  },
  get source() {
    return msg`the heat balance; a quarter of the average a section is common practice, no source`;
  },
  run: (context) =>
    context.heat.radiators.flatMap((h): Diagnostic[] => {
      const sections = sectionsOf(context, h.id),
        average = perSection(context, h.loop);
      if (h.heat_W === null || sections === 0 || average <= 0) return [];
      const share = h.heat_W / sections / average;
      if (share >= LEAST_SHARE) return [];
      const name = nameOf(context, h.id);
      return [
        {
          subjects: [h.id],
          title:
            h.heat_W < 0
              ? msg`${name} warms its coolant by ${formatWatts(-h.heat_W)}`
              : msg`${name} takes only ${formatWatts(h.heat_W)}`,
          detail: msg`${reasonOf(context, h)} A section of this loop takes
            ${formatWatts(average)} on average.`,
          measured: 100 * share,
          limit: 100 * LEAST_SHARE,
          unit: '%',
          candidates: () => turned(context, h),
        },
      ];
    }),
};
