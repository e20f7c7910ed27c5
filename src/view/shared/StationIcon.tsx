/** Line drawings of the parts of a loop, one per kind, drawn for 34 × 26. */
export function StationIcon({ kind, picked = false, size = 34 }: { readonly kind: string; readonly picked?: boolean; readonly size?: number }) {
  const stroke = picked ? 'var(--copper)' : 'var(--ink)';
  const common = { fill: 'var(--paper)', stroke, strokeWidth: 1.4 } as const;
  return (
    <svg width={size} height={(size * 26) / 34} viewBox="0 0 34 26" aria-hidden>
      {kind === 'reservoir' && <><rect x="11" y="1.5" width="12" height="23" rx="2.5" {...common} /><path d="M11 10q3-2 6 0t6 0" fill="none" stroke={stroke} strokeWidth="1.1" /><path d="M14 21h6" stroke={stroke} /></>}
      {kind === 'pump' && <><circle cx="17" cy="13" r="11" {...common} /><path d="M17 13m0-6.5a6.5 6.5 0 0 1 6.5 6.5M17 13m0 6.5a6.5 6.5 0 0 1-6.5-6.5" fill="none" stroke={stroke} strokeWidth="1.3" /><circle cx="17" cy="13" r="1.8" fill={stroke} /></>}
      {kind === 'radiator' && <><rect x="1.5" y="4" width="31" height="18" {...common} /><path d="M5 22l3-18 3 18 3-18 3 18 3-18 3 18 3-18 3 18" fill="none" stroke={stroke} strokeWidth="0.9" /></>}
      {kind === 'block:processor' && <><rect x="6" y="2" width="22" height="22" {...common} /><rect x="11" y="7" width="12" height="12" fill="none" stroke={stroke} /><path d="M14 7v12M17 7v12M20 7v12" stroke={stroke} strokeWidth="0.8" /></>}
      {kind === 'block:card' && <><rect x="1.5" y="6" width="31" height="14" {...common} /><path d="M1.5 16.5h31" stroke={stroke} strokeWidth="0.8" /><circle cx="11" cy="11.2" r="2.6" fill="none" stroke={stroke} /><path d="M22 9.5h7M22 12.5h7" stroke={stroke} strokeWidth="0.8" /></>}
      {(kind === 'block:memory' || kind === 'block:board') && <><rect x="3" y="8" width="28" height="10" {...common} /><path d="M8 8v10M13 8v10M18 8v10M23 8v10M28 8v10" stroke={stroke} strokeWidth="0.8" /></>}
      {kind === 'inline' && <><rect x="8" y="7" width="18" height="12" {...common} /><path d="M2 13h6M26 13h6M12 13h10m-3-3l3 3-3 3" fill="none" stroke={stroke} strokeWidth="1.1" /></>}
    </svg>
  );
}
