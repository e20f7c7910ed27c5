import { environmentOf, METAL_NAMES, METAL_VERDICTS, pairFacts } from '../corrosion';
import { msg } from '../messages';
import type { OperatingCheck } from './inputs';

export const metalScratch: OperatingCheck = {
  code: 'metal.scratch',
  severity: 'note',
  stage: 'materials',
  get meaning() {
    return msg`A plating counts as its plating, and holds; the metal under it would not. A
      scratch, a worn thread or a pinhole exposes it. Handle such parts with care, or take one
      whose base metal is compatible with the loop too.`;
  },
  get source() {
    return msg`Anodic index as reprinted from MIL-STD-889 / MIL-F-14072, from memory`;
  },
  run: (context) =>
    context.corrosion.metals.flatMap((m) =>
      m.platedOver.flatMap((base) => {
        const loop = context.design.loops.find((l) => l.id === m.loop);
        if (!loop) return [];
        const against = context.corrosion.metals
          .filter((o) => o.loop === m.loop && o.metal !== base)
          .filter((o) =>
            METAL_VERDICTS.some(
              (v) =>
                v.verdict === 'fails' && v.applies(pairFacts(base, o.metal, environmentOf(loop))),
            ),
          );
        const carriers = m.carriers.filter((c) => c.platedOver.includes(base));
        if (against.length === 0 || carriers.length === 0) return [];
        return [
          {
            subjects: carriers.map((c) => c.component).filter((id) => !id.startsWith('fitting:')),
            title: msg`A scratch would expose ${METAL_NAMES[base]} to ${loop.name}`,
            detail: msg`${carriers.map((c) => c.name).join(', ')}: ${METAL_NAMES[m.metal]} over
              ${METAL_NAMES[base]}. Bare, it would dissolve beside
              ${against.map((o) => METAL_NAMES[o.metal]).join(', ')}.`,
          },
        ];
      }),
    ),
};
