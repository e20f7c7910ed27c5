import type { Severity, Verdict } from '@/core/checks';
import { msg, worded } from '@/core/messages';

/** A note is no verdict: it has a shape and a word of its own. */
export type MarkKind = Verdict | 'note';
const WORDS: Record<MarkKind, string> = worded(() => ({
  ok: msg`OK`,
  marginal: msg`marginal`,
  fails: msg`fails`,
  unchecked: msg`not checked`,
  note: msg`note`,
}));
export const verdictOfSeverity: Record<Severity, MarkKind> = {
  fails: 'fails',
  marginal: 'marginal',
  note: 'note',
};

/** A verdict by shape first: filled disc, half disc, open square with a bar, ring. */
export function Mark({
  verdict,
  size = 12,
  quiet = false,
}: {
  readonly verdict: MarkKind;
  readonly size?: number;
  readonly quiet?: boolean;
}) {
  const colour = verdict === 'note' ? 'var(--soft)' : `var(--${verdict})`;
  return (
    <>
      <svg
        width={size}
        height={size}
        viewBox="0 0 12 12"
        aria-hidden
        style={{ flex: 'none', verticalAlign: '-1px' }}
      >
        {verdict === 'ok' && <circle cx="6" cy="6" r="5" fill={colour} />}
        {verdict === 'marginal' && (
          <>
            <circle cx="6" cy="6" r="4.5" fill="none" stroke={colour} />
            <path d="M6 1.5a4.5 4.5 0 0 0 0 9z" fill={colour} />
          </>
        )}
        {verdict === 'fails' && (
          <>
            <rect
              x="1.2"
              y="1.2"
              width="9.6"
              height="9.6"
              fill="none"
              stroke={colour}
              strokeWidth="1.5"
            />
            <path d="M1.5 6h9" stroke={colour} strokeWidth="1.8" />
          </>
        )}
        {verdict === 'note' && (
          <path
            d="M6 1.4v1.6M6 5v5.6M4 10.6h4M4.4 5H6"
            fill="none"
            stroke={colour}
            strokeWidth="1.6"
          />
        )}
        {verdict === 'unchecked' && (
          <circle cx="6" cy="6" r="4.3" fill="none" stroke={colour} strokeWidth="1.3" />
        )}
      </svg>
      {!quiet && <span className="visually-hidden">{WORDS[verdict]}</span>}
    </>
  );
}
