import { msg } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { nameOf, portHeight, type SpatialCheck } from './inputs';

export const noDrain: SpatialCheck = {
  code: 'rule.no-drain',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`A loop has no drain: to service it, tubes would have to be pulled off full. Put a
      valve on the lowest spare port. And it needs a cap to fill it by.`;
  },
  get source() {
    return msg`common practice, no source`;
  },
  run: (context) =>
    context.design.loops.flatMap((loop): Diagnostic[] => {
      if (loop.connections.length === 0) return [];
      const diagnostic: Diagnostic[] = [];
      const plugged = loop.caps
        .filter((c) => c.with === 'plug')
        .map((c) => ({ ...c, height: portHeight(context.system, c) ?? Infinity }));
      const byHeight = [...plugged].sort((a, b) => a.height - b.height);
      const offer = (
        cap: (typeof plugged)[number] | undefined,
        duty: 'drain' | 'fill',
        label: string,
      ): Fix[] =>
        cap
          ? [
              {
                label: `${label} ${nameOf(context, cap.component)}`,
                edit: {
                  do: 'cap.set',
                  loop: loop.id,
                  port: { component: cap.component, port: cap.port },
                  with: duty,
                },
              },
            ]
          : [];
      if (!loop.caps.some((c) => c.with === 'drain')) {
        diagnostic.push({
          subjects: [loop.id],
          title: msg`${loop.name} has no drain`,
          detail:
            byHeight.length > 0
              ? msg`It can only be emptied by pulling a tube off while full. A valve on the
                lowest spare port does it.`
              : msg`No spare port is left for a valve: a reservoir or pump with one more port
                would give it.`,
          candidates: () =>
            offer(byHeight[0], 'drain', msg`Put a drain valve on the lowest spare port, of`),
        });
      }
      if (!loop.caps.some((c) => c.with === 'fill')) {
        diagnostic.push({
          severity: 'marginal',
          subjects: [loop.id],
          title: msg`${loop.name} has no port to fill by`,
          detail: msg`A cap on the highest spare port lets you fill and bleed.`,
          candidates: () =>
            offer(
              byHeight[byHeight.length - 1],
              'fill',
              msg`Put a fill cap on the highest spare port, of`,
            ),
        });
      }
      return diagnostic;
    }),
};
