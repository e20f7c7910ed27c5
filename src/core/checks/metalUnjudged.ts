import { isJudged, METAL_NAMES } from '../corrosion';
import { msg } from '../messages';
import type { OperatingCheck } from './inputs';

export const metalUnjudged: OperatingCheck = {
  code: 'metal.unjudged',
  severity: 'note',
  stage: 'materials',
  get meaning() {
    return msg`Coolant touches a metal that the anodic index does not list: its pairs are not
      judged, neither well nor badly. Ask its maker, or take a part of a metal that is listed.`;
  },
  get source() {
    return msg`Anodic index as reprinted from MIL-STD-889 / MIL-F-14072, from memory`;
  },
  run: ({ corrosion, design }) =>
    corrosion.metals
      .filter((m) => !isJudged(m.metal))
      .map((m) => ({
        subjects: m.carriers.map((c) => c.component).filter((id) => !id.startsWith('fitting:')),
        title: msg`${METAL_NAMES[m.metal].replace(/^./, (c) => c.toUpperCase())} in
          ${design.loops.find((l) => l.id === m.loop)?.name ?? m.loop} is not judged`,
        detail: `${m.carriers.map((c) => c.name).join(', ')}.`,
      })),
};
