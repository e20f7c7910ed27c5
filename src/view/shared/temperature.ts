/**
 * One ramp from slate over stone to copper: stops mixed in CSS by OKLab, so steps look even in both
 * themes.
 */
export function temperatureColour(
  t_C: number | null | undefined,
  low_C: number,
  high_C: number,
): string {
  if (t_C === null || t_C === undefined) return 'var(--unchecked)';
  const x = Math.max(0, Math.min(1, high_C > low_C ? (t_C - low_C) / (high_C - low_C) : 0.5));
  const [from, to, share] =
    x < 0.5 ? (['cool', 'mid', x * 2] as const) : (['mid', 'warm', x * 2 - 1] as const);
  return `color-mix(in oklab, var(--${to}) ${Math.round(share * 100)}%, var(--${from}))`;
}
