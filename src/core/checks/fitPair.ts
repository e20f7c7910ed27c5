import { listOr, msg } from '../messages';
import type { Diagnostic, Fix } from './diagnostic';
import type { BlockPart, BoardPart, ComponentPart } from '../components';
import type { Component } from '../design';
import { blockOn, fitOf, matchesOf, type Match } from '../matching';
import { nameOf, type SpatialCheck, type SpatialInputs } from './inputs';

/** Parts offered in place of one that does not fit. */
const MOST_OFFERED = 3;

const source = (): string => msg`patterns, layouts and counts that the data of the parts name`;

/** Parts that do not belong together: the dearest mistake of the trade. */
export const fitPair: SpatialCheck = {
  code: 'fit.pair',
  severity: 'fails',
  stage: 'case',
  get meaning() {
    return msg`Two parts do not belong together: the bracket of a block does not meet the holes,
      a cover is made for another card or board, or sticks and slots differ in number. It cannot
      be mounted. Take one of the parts that fit.`;
  },
  get source() {
    return source();
  },
  run: (context) =>
    matchesOf(context.design).flatMap((match): Diagnostic[] => {
      if (match.verdict !== 'misfits') return [];
      const { holder, held, of, has, made } = match;
      return [
        {
          subjects: [holder.id, held.id],
          title: msg`${nameOf(context, holder.id)} does not fit ${nameOf(context, held.id)}`,
          detail: msg`It is made for ${listOr(made)} (${of}); ${nameOf(context, held.id)} has
            ${has ?? msg`none`}.`,
          candidates: () => replacements(context, match),
        },
      ];
    }),
};

/** Pairs whose data do not tell whether they fit. */
export const fitUnknown: SpatialCheck = {
  code: 'fit.unknown',
  severity: 'note',
  stage: 'case',
  get meaning() {
    return msg`Whether two parts belong together was not checked: the data of one of them name
      no pattern, layout or count. Look it up with the makers before buying, and type it into
      the part.`;
  },
  get source() {
    return source();
  },
  run: (context) =>
    matchesOf(context.design).flatMap((match): Diagnostic[] => {
      if (match.verdict !== 'unknown') return [];
      const { holder, held, of, has } = match;
      const silent = has === null ? held : holder;
      return [
        {
          subjects: [holder.id, held.id],
          title: msg`Not checked: whether ${nameOf(context, holder.id)} fits
            ${nameOf(context, held.id)}`,
          detail: msg`The data of ${nameOf(context, silent.id)} do not name its ${of}. Ask its
            maker before you buy.`,
        },
      ];
    }),
};

const replace = ({ id }: Component, part: ComponentPart): Fix => ({
  label: msg`Take ${part.name}`,
  edit: { do: 'component.replace', component: id, part },
});

/** What fits instead, by the same maker first, then by price: the block or board, then the other. */
function replacements(context: SpatialInputs, match: Match): readonly Fix[] {
  const { holder, held } = match;
  const nearest = (now: ComponentPart, parts: readonly ComponentPart[]): readonly ComponentPart[] =>
    [...parts]
      .sort(
        (a, b) =>
          Number(b.maker === now.maker) - Number(a.maker === now.maker) ||
          a.price_minor - b.price_minor,
      )
      .slice(0, MOST_OFFERED);
  const all = context.design.components.filter((c) => c.part.kind === 'board');
  const board = all[0]?.part.kind === 'board' ? all[0].part : null;
  const cooled = matchesOf(context.design).filter((m) => m.holder.id === holder.id);
  if (holder.part.kind === 'block') {
    const block = holder.part;
    const fitting = context.offer.filter(
      (p): p is BlockPart =>
        p.kind === 'block' &&
        p.cools.length === block.cools.length &&
        cooled.every((m) => blockOn(p, m.held.part, board)?.verdict === 'fits'),
    );
    return nearest(block, fitting).map((p) => replace(holder, p));
  }
  if (holder.part.kind !== 'board') return [];
  const { part } = held,
    own = holder.part;
  if (part.kind !== 'processor' && part.kind !== 'memory') return [];
  const others = context.offer.filter(
    (p): p is typeof part => p.kind === part.kind && fitOf(own, p).verdict === 'fits',
  );
  const boards = context.offer.filter(
    (p): p is BoardPart =>
      p.kind === 'board' && p.standard === own.standard && fitOf(p, part).verdict === 'fits',
  );
  return [
    ...nearest(part, others).map((p) => replace(held, p)),
    ...nearest(own, boards).map((p) => replace(holder, p)),
  ];
}
