import { loopOfRun } from '../design';
import { formatMillimetres } from '../units';
import { clipReason, type ClipReason } from '../routing';
import { msg, sentences } from '../messages';
import { nameOf, type SpatialCheck, type SpatialInputs } from './inputs';

export const runClip: SpatialCheck = {
  code: 'run.clip',
  severity: 'note',
  stage: 'runs',
  get meaning() {
    return msg`A soft tube that only its two fittings hold does not lie as it was routed: it comes
      to rest where it bends the least, and hangs through by its weight. There it would meet
      something, or bend tighter than it stands. Hold it with a clip, or choose another route.`;
  },
  get source() {
    return msg`elastica (Euler 1744; Love, ch. XIX); sag of a beam (Roark); hardness of the tube
      estimated`;
  },
  run: (context) =>
    context.runs.flatMap((run) => {
      const loop = context.design.loops.find((l) => l.id === run.loop);
      const lies = run.routed?.lies;
      if (!loop || !lies) return [];
      const reason = clipReason(run, loopOfRun(loop, run.id).tube.minBend_mm);
      if (!reason) return [];
      return [
        {
          subjects: reason.why === 'meets' ? [run.id, reason.component] : [run.id],
          title: msg`${run.name} wants a clip`,
          detail: sentences(
            msg`Left to itself it lies up to ${formatMillimetres(lies.beside_mm, 1)} beside its
              route and sags by ${formatMillimetres(lies.sag_mm, 1)} (estimated).`,
            wordsFor(context, reason),
          ),
          ...(reason.why === 'meets'
            ? { measured: -reason.overlap_mm, limit: 0, unit: 'mm' }
            : { measured: reason.radius_mm, limit: reason.limit_mm, unit: 'mm' }),
          candidates: () => [
            {
              label: msg`Hold ${run.name} with a clip`,
              edit: { do: 'connection.clips', loop: loop.id, connection: run.id, clipped: true },
            },
          ],
        },
      ];
    }),
};

function wordsFor(context: SpatialInputs, reason: ClipReason): string {
  if (reason.why === 'tight')
    return msg`There it bends to ${formatMillimetres(reason.radius_mm)}, and stands
      ${formatMillimetres(reason.limit_mm)}.`;
  const name =
    context.runs.find((r) => r.id === reason.component)?.name ??
    context.system.obstacles.find((o) => o.component === reason.component)?.detail ??
    nameOf(context, reason.component);
  return msg`There it would lie ${formatMillimetres(reason.overlap_mm, 1)} into ${name}.`;
}
