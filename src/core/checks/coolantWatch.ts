import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import type { OperatingCheck } from './inputs';
import { harmlessTube, subjectsOf, tellSoft, unharmed } from './softFixes';

export const coolantWatch: OperatingCheck = {
  code: 'coolant.watch',
  severity: 'note',
  stage: 'materials',
  get meaning() {
    return msg`A plastic or rubber takes this coolant, or what the tube gives off into it, only
      so well. Look at it at each change of coolant, and keep a spare seal.`;
  },
  get source() {
    return msg`compound tables of O-ring handbooks and general chemical-resistance tables, from
      memory`;
  },
  run: (context) =>
    context.corrosion.polymers
      .filter((s) => s.verdict === 'marginal')
      .flatMap((soft): Diagnostic[] => {
        const loop = context.design.loops.find((l) => l.id === soft.loop);
        if (!loop) return [];
        const fromTube = soft.because?.startsWith('plasticiser') ?? false;
        return [
          {
            subjects: subjectsOf(soft),
            title: msg`${soft.material.replace(/^[a-z]/, (c) => c.toUpperCase())} in
              ${loop.name} is to be looked after`,
            detail: tellSoft(soft),
            candidates: () => (fromTube ? harmlessTube(context, loop) : unharmed(context, loop)),
          },
        ];
      }),
};
