import { Fragment, type ReactNode } from 'react';
import { Counted, msg, type MessageValue } from '@/core/messages';

/** Stands for an element in a message while it is written; no text has it. */
const MARK = '\u0001';
const MARKED = /\u0001(\d+)\u0001/;

const isText = (value: unknown): value is MessageValue =>
  typeof value === 'string' || typeof value === 'number' || value instanceof Counted;

const isNothing = (value: unknown): boolean =>
  value === null || value === undefined || typeof value === 'boolean';

/**
 * A whole sentence with elements in it, in the language of this person: a link or a bold figure
 * stands where that language puts it. `{rich`Holds ${<strong>{volume}</strong>} to buy`}`.
 */
export function rich(
  parts: TemplateStringsArray,
  ...values: readonly (MessageValue | ReactNode)[]
): ReactNode {
  const texts = values.map((value, i): MessageValue => {
    if (isText(value)) return value;
    return isNothing(value) ? '' : `${MARK}${i}${MARK}`;
  });
  // What stands between two marks is text, each mark the number of its element.
  return msg(parts, ...texts)
    .split(MARKED)
    .map((piece, i) => (
      <Fragment key={i}>{i % 2 === 0 ? piece : (values[Number(piece)] as ReactNode)}</Fragment>
    ));
}
