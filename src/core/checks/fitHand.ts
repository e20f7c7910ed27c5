import { counted, msg } from '../messages';
import type { SpatialCheck } from './inputs';

export const fitHand: SpatialCheck = {
  code: 'fit.hand',
  severity: 'note',
  stage: 'case',
  get meaning() {
    return msg`Fittings that go in but leave less than 12 mm for fingers. They can be tightened
      before the part is mounted, with a key, or from the end. Plan that.`;
  },
  source: '12 mm round a fitting for fingers: common practice, no source',
  run: (context) => {
    const list = context.ports.filter((p) => p.verdict === 'marginal');
    return list.length === 0
      ? []
      : [
          {
            subjects: [...new Set(list.map((p) => p.component))],
            title: msg`${counted(list.length, 'One fitting leaves no finger clearance', '# fittings leave no finger clearance')}`,
            detail: msg`${list
              .slice(0, 4)
              .map((p) => msg`${p.name} (beside ${p.with ?? msg`what is there`})`)
              .join(
                '; ',
              )}${list.length > 4 ? msg` and ${list.length - 4} more` : ''}. Tighten them before the part goes in, or with a key.`,
          },
        ];
  },
};
