import { counted, msg, someOf } from '../messages';
import type { SpatialCheck } from './inputs';

/** Fittings told by name. */
const MOST_NAMED = 4;

export const fitHand: SpatialCheck = {
  code: 'fit.hand',
  severity: 'note',
  stage: 'case',
  get meaning() {
    return msg`Fittings that go in but leave less than 12 mm for fingers. They can be tightened
      before the part is mounted, with a key, or from the end. Plan that.`;
  },
  get source() {
    return msg`12 mm round a fitting for fingers: common practice, no source`;
  },
  run: (context) => {
    const list = context.ports.filter((p) => p.verdict === 'marginal');
    return list.length === 0
      ? []
      : [
          {
            subjects: [...new Set(list.map((p) => p.component))],
            title: msg`${counted(list.length, 'One fitting leaves no finger clearance', '# fittings leave no finger clearance')}`,
            detail: msg`${someOf(
              list.map((p) => msg`${p.name} (beside ${p.with ?? msg`what is there`})`),
              MOST_NAMED,
              '; ',
            )}. Tighten them before the part goes in, or with a key.`,
          },
        ];
  },
};
