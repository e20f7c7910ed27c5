import type { SpatialCheck } from './inputs';

export const fitHand: SpatialCheck = {
  code: 'fit.hand',
  severity: 'note',
  stage: 'case',
  meaning:
    'Fittings that go in but leave less than 12 mm for fingers. They can be tightened before the part is mounted, with a key, or from the end. Plan that.',
  source: '12 mm round a fitting for fingers: common practice, no source',
  run: (context) => {
    const list = context.ports.filter((p) => p.verdict === 'marginal');
    return list.length === 0
      ? []
      : [
          {
            subjects: [...new Set(list.map((p) => p.component))],
            title:
              list.length === 1
                ? 'One fitting leaves no finger clearance'
                : `${list.length} fittings leave no finger clearance`,
            detail: `${list
              .slice(0, 4)
              .map((p) => `${p.name} (beside ${p.with ?? 'what is there'})`)
              .join(
                '; ',
              )}${list.length > 4 ? ` and ${list.length - 4} more` : ''}. Tighten them before the part goes in, or with a key.`,
          },
        ];
  },
};
