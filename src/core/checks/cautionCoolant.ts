import type { OperatingCheck } from './inputs';

export const cautionCoolant: OperatingCheck = {
  code: 'caution.coolant',
  severity: 'note',
  stage: 'materials',
  meaning: 'What to mind with the chosen coolant: poison, staining, an inhibitor that has run out.',
  source: "common practice, no source; the coolant's safety sheet and local rules come first",
  run: (context) =>
    context.design.loops.flatMap((loop) => {
      const { coolant } = loop;
      const lines = [
        ...(coolant.poisonous
          ? [
              'It contains ethylene glycol: toxic, to pets above all. Keep it away from children, read the safety sheet, dispose of it by local rules.',
            ]
          : []),
        ...(coolant.look === 'clear'
          ? []
          : [
              `${coolant.look === 'dyed' ? 'Dye' : 'An opaque filling'} stains and can clog fins of blocks; it ties you to its upkeep.`,
            ]),
        ...(coolant.inhibitor_months > 0 && loop.coolantAge_months >= coolant.inhibitor_months
          ? [
              `Its inhibitor lasts ${coolant.inhibitor_months} months and is ${loop.coolantAge_months} months old: the loop counts as unprotected.`,
            ]
          : []),
        ...(coolant.biocide ? [] : ['It has no biocide: something will grow in it. Add one.']),
      ];
      return lines.length === 0
        ? []
        : [
            {
              subjects: [loop.id],
              title: `Mind the coolant: ${coolant.name}`,
              detail: lines.join(' '),
            },
          ];
    }),
};
