/** Line drawings of the parts of a loop, one per kind, drawn for 34 × 26. */
export function StationIcon({
  kind,
  picked = false,
  size = 34,
}: {
  readonly kind: string;
  readonly picked?: boolean;
  readonly size?: number;
}) {
  const stroke = picked ? 'var(--copper)' : 'var(--ink)';
  const common = { fill: 'var(--paper)', stroke, strokeWidth: 1.4 } as const;
  return (
    <svg width={size} height={(size * 26) / 34} viewBox="0 0 34 26" aria-hidden>
      {kind === 'reservoir' && (
        <>
          <rect x="11" y="1.5" width="12" height="23" rx="2.5" {...common} />
          <path d="M11 10q3-2 6 0t6 0" fill="none" stroke={stroke} strokeWidth="1.1" />
          <path d="M14 21h6" stroke={stroke} />
        </>
      )}
      {kind === 'pump' && (
        <>
          <circle cx="17" cy="13" r="11" {...common} />
          <path
            d="M17 13m0-6.5a6.5 6.5 0 0 1 6.5 6.5M17 13m0 6.5a6.5 6.5 0 0 1-6.5-6.5"
            fill="none"
            stroke={stroke}
            strokeWidth="1.3"
          />
          <circle cx="17" cy="13" r="1.8" fill={stroke} />
        </>
      )}
      {kind === 'radiator' && (
        <>
          <rect x="1.5" y="4" width="31" height="18" {...common} />
          <path
            d="M5 22l3-18 3 18 3-18 3 18 3-18 3 18 3-18 3 18"
            fill="none"
            stroke={stroke}
            strokeWidth="0.9"
          />
        </>
      )}
      {kind === 'block:processor' && (
        <>
          <rect x="6" y="2" width="22" height="22" {...common} />
          <rect x="11" y="7" width="12" height="12" fill="none" stroke={stroke} />
          <path d="M14 7v12M17 7v12M20 7v12" stroke={stroke} strokeWidth="0.8" />
        </>
      )}
      {kind === 'block:card' && (
        <>
          <rect x="1.5" y="6" width="31" height="14" {...common} />
          <path d="M1.5 16.5h31" stroke={stroke} strokeWidth="0.8" />
          <circle cx="11" cy="11.2" r="2.6" fill="none" stroke={stroke} />
          <path d="M22 9.5h7M22 12.5h7" stroke={stroke} strokeWidth="0.8" />
        </>
      )}
      {(kind === 'block:memory' || kind === 'block:board') && (
        <>
          <rect x="3" y="8" width="28" height="10" {...common} />
          <path d="M8 8v10M13 8v10M18 8v10M23 8v10M28 8v10" stroke={stroke} strokeWidth="0.8" />
        </>
      )}
      {(kind === 'inline:valve' || kind === 'inline:coupling') && (
        <>
          <path d="M7 7l20 12V7L7 19z" {...common} strokeLinejoin="round" />
          {kind === 'inline:valve' ? (
            <path d="M17 13V4M12.5 4h9" fill="none" stroke={stroke} strokeWidth="1.3" />
          ) : (
            <path d="M17 3v20" stroke={stroke} strokeWidth="1.3" />
          )}
        </>
      )}
      {kind === 'inline:passthrough' && (
        <>
          <rect x="3" y="9" width="28" height="8" {...common} />
          <path d="M17 2v22M15 2v22" stroke={stroke} strokeWidth="1.3" />
        </>
      )}
      {kind === 'inline:filter' && (
        <>
          <rect x="7" y="6" width="20" height="14" rx="2" {...common} />
          <path
            d="M11 6v14M15 6v14M19 6v14M23 6v14M7 10.7h20M7 15.3h20"
            stroke={stroke}
            strokeWidth="0.7"
          />
        </>
      )}
      {kind === 'inline:meter' && (
        <>
          <rect x="6" y="5" width="22" height="16" rx="3" {...common} />
          <path
            d="M10 17a7 7 0 0 1 14 0M17 17l4-5.5"
            fill="none"
            stroke={stroke}
            strokeWidth="1.2"
          />
        </>
      )}
      {kind === 'inline:plate' && (
        <>
          <rect x="2" y="4" width="30" height="18" rx="2" {...common} />
          <path d="M2 13h30" stroke={stroke} strokeWidth="0.9" />
          {[8, 14, 20, 26].map((x) => (
            <g key={x}>
              <circle cx={x} cy="8.5" r="1.7" fill="none" stroke={stroke} />
              <circle cx={x} cy="17.5" r="1.7" fill="none" stroke={stroke} />
            </g>
          ))}
        </>
      )}
      {kind === 'inline:tee' && (
        <path d="M4 9h26v8H21v8h-8v-8H4z" {...common} strokeLinejoin="round" />
      )}
    </svg>
  );
}
