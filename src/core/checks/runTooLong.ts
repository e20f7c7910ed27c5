import { loopOfRun } from '../design';
import { msg, noted } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { formatMillimetres } from '../units';
import { trimFor } from '../tubing';
import type { SpatialCheck } from './inputs';

export const runTooLong: SpatialCheck = {
  code: 'run.too-long',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`A run of hard tube is longer than the sticks it is sold in, so it cannot be made
      of one piece. Take longer sticks or soft tube, shorten the run, or divide it with a part
      between.`;
  },
  get source() {
    return msg`length of the stick in the tube's data; the run as routed, or estimated, with its
      trim`;
  },
  run: (context) =>
    context.runs.flatMap((run): Diagnostic[] => {
      const whole = context.design.loops.find((l) => l.id === run.loop);
      const loop = whole && loopOfRun(whole, run.id);
      const stick_mm = loop?.tube.stick_mm;
      const needs_mm = run.cut_mm + trimFor(run);
      if (!loop || !stick_mm || run.by !== 'tube' || needs_mm <= stick_mm) return [];
      const longer = (): readonly Fix[] =>
        context.offer.flatMap((p): Fix[] => {
          if (
            p.kind !== 'tube' ||
            p.material !== loop.tube.material ||
            p.outer_mm !== loop.tube.outer_mm ||
            p.inner_mm !== loop.tube.inner_mm ||
            (p.stick_mm ?? 0) < needs_mm
          )
            return [];
          return [
            {
              label: msg`Use ${p.name}, in sticks of ${formatMillimetres(p.stick_mm ?? 0)}`,
              edit:
                loop === whole
                  ? { do: 'loop.tube', loop: loop.id, tube: p, fitting: loop.fitting }
                  : {
                      do: 'connection.tube',
                      loop: loop.id,
                      connection: run.id,
                      tube: p,
                      fitting: loop.fitting,
                    },
            },
          ];
        });
      return [
        {
          subjects: [run.id],
          title: msg`${run.name} is longer than a stick`,
          detail: msg`It needs
            ${noted(formatMillimetres(needs_mm), run.estimated && msg`estimated`)} of
            ${loop.tube.name}; a stick has ${formatMillimetres(stick_mm)}.`,
          measured: needs_mm,
          limit: stick_mm,
          unit: 'mm',
          candidates: longer,
        },
      ];
    }),
};
