import { msg } from '../messages';
import type { Diagnostic } from './diagnostic';
import { BOARD_STANDARDS } from '../components';
import { formatMillimetres } from '../units';
import type { SpatialCheck } from './inputs';

/** Sheets and stand-offs leave this much play, mm (common practice, no source). */
const PLAY_MM = 1;

export const fitBoard: SpatialCheck = {
  code: 'fit.board',
  severity: 'fails',
  stage: 'case',
  get meaning() {
    return msg`The case has no stand-offs for this board's standard, or the board sticks out
      where they put it. Another case takes it; a smaller board fits most larger cases.`;
  },
  get source() {
    return msg`board standards the case's maker names; outlines of ATX 2.2, microATX 1.2 and the
      Mini-ITX addendum, from memory`;
  },
  run: ({ design, offer }) =>
    design.components.flatMap((component): Diagnostic[] => {
      const { case: box } = design,
        { part } = component;
      if (part.kind !== 'board' || component.placement.on !== 'tray' || !box) return [];
      const known = box.boardStandards.includes(part.standard);
      const over = Math.max(
        box.boardAt[0] + part.size[0] - box.interior[0],
        box.boardAt[1] + part.size[1] - box.interior[1],
      );
      if (known && over <= PLAY_MM) return [];
      const outline = BOARD_STANDARDS.find((s) => s.name === part.standard);
      const takes = offer
        .flatMap((p) =>
          p.kind === 'case' &&
          p.boardStandards.includes(part.standard) &&
          p.boardAt[0] + part.size[0] <= p.interior[0] &&
          p.boardAt[1] + part.size[1] <= p.interior[1]
            ? [p]
            : [],
        )
        .sort((a, b) => a.volume_L - b.volume_L);
      const smaller = offer
        .flatMap((p) => (p.kind === 'board' && box.boardStandards.includes(p.standard) ? [p] : []))
        .sort((a, b) => b.size[0] * b.size[1] - a.size[0] * a.size[1]);
      return [
        {
          subjects: [component.id, 'case'],
          title: known
            ? msg`${component.name} sticks out of ${box.name} by ${formatMillimetres(over)}`
            : msg`${box.name} has no stand-offs for ${part.standard}`,
          detail: msg`${part.standard} is ${formatMillimetres(outline?.y_mm ?? part.size[1])}
            high and ${formatMillimetres(outline?.x_mm ?? part.size[0])} deep. ${box.name} takes
            ${box.boardStandards.join(', ') || msg`none that is known`}.`,
          ...(known ? { measured: over, limit: 0, unit: 'mm' } : {}),
          candidates: () => [
            ...takes.slice(0, 1).map((c) => ({
              label: msg`Take ${c.name}, the smallest case for it`,
              edit: { do: 'case.choose' as const, case: c },
            })),
            ...smaller.slice(0, 1).map((b) => ({
              label: msg`Take a ${b.standard} board: ${b.name}`,
              edit: { do: 'component.replace' as const, component: component.id, part: b },
            })),
          ],
        },
      ];
    }),
};
