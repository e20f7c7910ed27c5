import type {
  BlockPart,
  BoardPart,
  CardPart,
  ComponentPart,
  MemoryPart,
  ProcessorPart,
} from '../components';
import { msg } from '../messages';

/** Whether two parts belong together: what one asks for and the other has. */
export interface Fit {
  /** `unknown` where the data of one of them do not tell: never taken as a fit. */
  readonly verdict: 'fits' | 'misfits' | 'unknown';
  /** What it is about: "mounting pattern", "card layout". */
  readonly of: string;
  /** What the second part has; null where its data do not tell. */
  readonly has: string | null;
  /** What the first part is made for; nothing where its data do not tell. */
  readonly made: readonly string[];
  /** Bracket that the first part needs for it. */
  readonly bracket?: string;
}

/** Sticks stand this near the pitch a block is milled for, mm. */
const PITCH_PLAY_MM = 0.3;

const among = (of: string, made: readonly string[] | undefined, has: string | undefined): Fit => {
  const known = made !== undefined && made.length > 0 && has !== undefined;
  const verdict = made?.includes(has ?? '') ? 'fits' : 'misfits';
  return { verdict: known ? verdict : 'unknown', of, has: has ?? null, made: made ?? [] };
};

const onProcessor = ({ fits }: BlockPart, { pattern }: ProcessorPart): Fit => {
  const made = fits?.patterns;
  const fit = among(
    msg`mounting pattern`,
    made?.map((p) => p.pattern),
    pattern,
  );
  const bracket = made?.find((p) => p.pattern === pattern)?.bracket;
  return bracket === undefined ? fit : { ...fit, bracket };
};

const onCard = ({ fits }: BlockPart, { layout }: CardPart): Fit =>
  among(msg`card layout`, fits?.cards, layout);
const onBoard = ({ fits }: BlockPart, { layout }: BoardPart): Fit =>
  among(msg`board layout`, fits?.boards, layout);

function onMemory({ fits }: BlockPart, { modules }: MemoryPart, board: BoardPart | null): Fit {
  const words = (count: number, pitch_mm: number | undefined): string =>
    pitch_mm === undefined ? msg`${count} sticks` : msg`${count} sticks ${pitch_mm} mm apart`;
  const pitch_mm = board?.memory?.pitch_mm;
  const made = fits?.sticks ?? [];
  const matches = made.some(
    (s) =>
      s.count === modules &&
      (pitch_mm === undefined || Math.abs(s.pitch_mm - pitch_mm) <= PITCH_PLAY_MM),
  );
  const verdict = matches ? 'fits' : 'misfits';
  return {
    verdict: made.length > 0 ? verdict : 'unknown',
    of: 'sticks',
    has: words(modules, pitch_mm),
    made: made.map((s) => words(s.count, s.pitch_mm)),
  };
}

/** A block on one thing it cools; null where it does not cool such a thing. */
export function blockOn(
  block: BlockPart,
  cooled: ComponentPart,
  board: BoardPart | null,
): Fit | null {
  switch (cooled.kind) {
    case 'processor':
      return block.cools.includes('processor') ? onProcessor(block, cooled) : null;
    case 'card':
      return block.cools.includes('card') ? onCard(block, cooled) : null;
    case 'board':
      return block.cools.includes('board') ? onBoard(block, cooled) : null;
    case 'memory':
      return block.cools.includes('memory') ? onMemory(block, cooled, board) : null;
    default:
      return null;
  }
}

/** A processor or sticks in a board. */
export function fitOf(board: BoardPart, part: ProcessorPart | MemoryPart): Fit {
  if (part.kind === 'processor') {
    const { pattern } = board;
    return among(msg`mounting pattern`, pattern === undefined ? [] : [pattern], part.pattern);
  }
  const slots = board.memory?.slots;
  const verdict = part.modules <= (slots ?? 0) ? 'fits' : 'misfits';
  return {
    verdict: slots === undefined ? 'unknown' : verdict,
    of: msg`memory slots`,
    has: msg`${part.modules} sticks`,
    made: slots === undefined ? [] : [msg`${slots} slots`],
  };
}
