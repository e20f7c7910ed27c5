import { loopOfRun } from '../design';
import { betweenBends, STRAIGHT_MM } from '../routing';
import { formatMillimetres } from '../units';
import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import type { SpatialCheck } from './inputs';

/** Rounding of the points a tube is measured by, mm. */
const SLACK_MM = 0.05;

/** What is wrong with a stretch of a bent run: how much there is of it, and how much it needs. */
interface Shortage {
  readonly what: string;
  readonly has_mm: number;
  readonly needs_mm: number;
}

export const runBends: SpatialCheck = {
  code: 'run.bends',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`A bend of hard tube is tighter than its tube allows, or the straight beside it is
      too short to be held. Choose another mandrel for it, or unpin the run and let it be routed
      again.`;
  },
  get source() {
    return msg`least radius in the tube's data; ${STRAIGHT_MM} mm straight at a fitting and a
      tube's diameter, or the mandrel's grip, between bends (common practice, no source)`;
  },
  run: (context) =>
    context.runs.flatMap((run): Diagnostic[] => {
      const { routed } = run;
      if (!routed || !run.tube.hard || routed.lra.length === 0) return [];
      const loop = context.design.loops.find((l) => l.id === run.loop);
      const own = loop && loopOfRun(loop, run.id);
      const least_mm = own?.tube.minBend_mm ?? 0;
      const shortages = shortagesOf(routed, least_mm, own ? betweenBends(own) : 0).filter(
        (s) => s.has_mm < s.needs_mm - SLACK_MM,
      );
      const [worst] = shortages.sort((a, b) => a.has_mm / a.needs_mm - b.has_mm / b.needs_mm);
      if (!worst) return [];
      const chosen = context.design.layout.routes[run.id]?.radii_mm !== undefined;
      return [
        {
          subjects: [run.id],
          title: `${run.name}: ${worst.what}`,
          detail: msg`It has ${formatMillimetres(worst.has_mm, 1)} and needs
            ${formatMillimetres(worst.needs_mm, 1)}.`,
          measured: worst.has_mm,
          limit: worst.needs_mm,
          unit: 'mm',
          candidates: () => [
            ...(chosen
              ? [
                  {
                    label: msg`Bend it all on the mandrel of its tube`,
                    edit: {
                      do: 'batch' as const,
                      edits: routed.lra.map(({ corner }) => ({
                        do: 'route.radius' as const,
                        connection: run.id,
                        corner,
                        radius_mm: null,
                      })),
                    },
                  },
                ]
              : []),
            {
              label: msg`Unpin and route it again`,
              edit: { do: 'layout.set' as const, routes: { [run.id]: null } },
            },
          ],
        },
      ];
    }),
};

function shortagesOf(
  {
    lra,
    last_mm,
  }: {
    readonly lra: readonly { readonly length_mm: number; readonly radius_mm: number }[];
    readonly last_mm: number;
  },
  least_mm: number,
  between_mm: number,
): Shortage[] {
  return [
    ...lra.flatMap((row, bend): Shortage[] => [
      {
        what: msg`bend ${bend + 1} is too tight`,
        has_mm: row.radius_mm,
        needs_mm: least_mm,
      },
      {
        what:
          bend === 0
            ? msg`too little straight before its first bend`
            : msg`bends ${bend} and ${bend + 1} are too near to each other`,
        has_mm: row.length_mm,
        needs_mm: bend === 0 ? STRAIGHT_MM : between_mm,
      },
    ]),
    {
      what: msg`too little straight after its last bend`,
      has_mm: last_mm,
      needs_mm: STRAIGHT_MM,
    },
  ];
}
