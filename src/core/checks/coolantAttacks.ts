import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import type { OperatingCheck } from './inputs';
import { subjectsOf, tellSoft, unharmed } from './softFixes';

export const coolantAttacks: OperatingCheck = {
  code: 'coolant.attacks',
  severity: 'fails',
  stage: 'materials',
  get meaning() {
    return msg`The coolant swells, hazes or cracks a plastic or rubber that it touches: of the
      tube, of a part, or of its seals. Take another coolant, or another tube or part.`;
  },
  get source() {
    return msg`the coolant's own data; compound tables of O-ring handbooks and general
      chemical-resistance tables, from memory; glycol above a third crazes acrylic under stress
      (common practice, no source)`;
  },
  run: (context) =>
    context.corrosion.polymers
      .filter((s) => s.verdict === 'fails')
      .flatMap((soft): Diagnostic[] => {
        const loop = context.design.loops.find((l) => l.id === soft.loop);
        return loop
          ? [
              {
                subjects: subjectsOf(soft),
                title: msg`${loop.coolant.name} attacks ${soft.material}`,
                detail: msg`${tellSoft(soft)} It may leak or crack after weeks.`,
                candidates: () => unharmed(context, loop),
              },
            ]
          : [];
      }),
};
