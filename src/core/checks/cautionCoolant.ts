import { msg } from '../messages';
import type { OperatingCheck } from './inputs';

export const cautionCoolant: OperatingCheck = {
  code: 'caution.coolant',
  severity: 'note',
  stage: 'materials',
  get meaning() {
    return msg`What to mind with the chosen coolant: poison, staining, an inhibitor that has run
      out.`;
  },
  get source() {
    return msg`common practice, no source; the coolant's safety sheet and local rules come first`;
  },
  run: (context) =>
    context.design.loops.flatMap((loop) => {
      const { coolant } = loop;
      const lines = [
        ...(coolant.poisonous
          ? [
              msg`It contains ethylene glycol: toxic, to pets above all. Keep it away from
                children, read the safety sheet, dispose of it by local rules.`,
            ]
          : []),
        ...(coolant.look === 'clear'
          ? []
          : [
              msg`${coolant.look === 'dyed' ? msg`Dye` : msg`An opaque filling`} stains and can
                clog fins of blocks; it ties you to its upkeep.`,
            ]),
        ...(coolant.inhibitor_months > 0 && loop.coolantAge_months >= coolant.inhibitor_months
          ? [
              msg`Its inhibitor lasts ${coolant.inhibitor_months} months and is
                ${loop.coolantAge_months} months old: the loop counts as unprotected.`,
            ]
          : []),
        ...(coolant.biocide ? [] : [msg`It has no biocide: something will grow in it. Add one.`]),
      ];
      return lines.length === 0
        ? []
        : [
            {
              subjects: [loop.id],
              title: msg`Mind the coolant: ${coolant.name}`,
              detail: lines.join(' '),
            },
          ];
    }),
};
