import type { CablePart } from '../components';
import { formatNumber } from '../units';
import { listAnd, msg } from '../messages';
import { nameOf, type OperatingCheck } from './inputs';

/** Above this share of a header's current it is said to be tight (common practice, no source). */
const FULL_SHARE = 0.9;

export const powerHeader: OperatingCheck = {
  code: 'power.header',
  severity: 'fails',
  stage: 'case',
  get meaning() {
    return msg`A fan or pump has no header that can feed it, with the splitters and hubs on the
      list, or a header is almost at its current. Too much current burns a header out.`;
  },
  get source() {
    return msg`the board's headers; 4 fan headers of 1 A and one of 2 A for a pump where it says
      nothing (common practice, no source)`;
  },
  run: (context) => {
    const cables = context.offer.filter((p): p is CablePart => p.kind === 'cable');
    const have = new Set((context.design.kit.cables ?? []).map((l) => l.id));
    const more = cables.filter((l) => !have.has(l.id));
    return [
      ...context.wiring.unfed.map((u) => ({
        subjects: [u.component],
        title: msg`${nameOf(context, u.component)} has no header to run on`,
        detail: msg`On this board ${u.why}.`,
        candidates: () =>
          more.length > 0
            ? [
                {
                  label: msg`Allow the splitters and hubs of the catalogue`,
                  edit: {
                    do: 'kit.cables' as const,
                    cables: [...(context.design.kit.cables ?? []), ...more],
                  },
                },
              ]
            : [],
      })),
      ...context.wiring.lines
        .filter((l) => l.current_A > FULL_SHARE * l.limit_A)
        .map((l) => ({
          subjects: l.components,
          severity: 'marginal' as const,
          title: msg`The ${l.header} is almost at its current`,
          detail: msg`${listAnd(l.components.map((i) => nameOf(context, i)))} draw
            ${formatNumber(l.current_A, { decimals: 2 })} A at full speed; it gives
            ${formatNumber(l.limit_A, { decimals: 1 })} A. Fans draw more for a moment when they
            start.`,
          measured: l.current_A,
          limit: l.limit_A,
          unit: 'A',
        })),
    ];
  },
};
