import type { BlockPart, BoardPart } from '../components';
import { findComponent, type Component, type Design } from '../design';
import { blockOn, fitOf, type Fit } from './fit';

export type MatchKind = 'block' | 'board';

/** Two parts of a build that must belong together. */
export interface Match extends Fit {
  /** A block on what it cools, or something in a board. */
  readonly kind: MatchKind;
  /** The block or the board, and the other. */
  readonly holder: Component;
  readonly held: Component;
}

/** Every pair of a build that a pattern, a layout or a count holds together. */
export function matchesOf(design: Design): readonly Match[] {
  const boards = design.components.filter((c) => c.part.kind === 'board');
  const [board] = boards;
  const boardPart = board?.part.kind === 'board' ? board.part : null;
  return [
    ...(board && boardPart ? inBoard(design, board, boardPart) : []),
    ...design.components.flatMap((c) =>
      c.part.kind === 'block' ? ofBlock(design, c, c.part, boards, boardPart) : [],
    ),
  ];
}

const inBoard = (design: Design, holder: Component, part: BoardPart): readonly Match[] =>
  design.components.flatMap((held): Match[] =>
    held.placement.on === 'board' && (held.part.kind === 'processor' || held.part.kind === 'memory')
      ? [{ kind: 'board', holder, held, ...fitOf(part, held.part) }]
      : [],
  );

/** Hosts that a block could go on: those it is made for first, those it is not made for last. */
export function hostsFor(
  design: Design,
  block: BlockPart,
): readonly (Fit & { readonly host: Component })[] {
  const boards = design.components.filter((c) => c.part.kind === 'board');
  const board = boards[0]?.part.kind === 'board' ? boards[0].part : null;
  const target = block.cools[0];
  return design.components
    .flatMap((host) => {
      const fit = host.part.kind === target ? blockOn(block, host.part, board) : null;
      return fit ? [{ ...fit, host }] : [];
    })
    .sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]);
}
const ORDER = { fits: 0, unknown: 1, misfits: 2 } as const;

/** What it hangs on, and the board too where it cools that as well. */
function ofBlock(
  design: Design,
  holder: Component,
  part: BlockPart,
  boards: readonly Component[],
  board: BoardPart | null,
): readonly Match[] {
  if (holder.placement.on !== 'component') return [];
  const host = findComponent(design, holder.placement.component);
  if (!host) return [];
  const cooled = host.part.kind === 'board' ? [host] : [host, ...boards];
  return cooled.flatMap((held): Match[] => {
    const fit = blockOn(part, held.part, board);
    return fit ? [{ kind: 'block', holder, held, ...fit }] : [];
  });
}
