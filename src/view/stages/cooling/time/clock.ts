/** Seconds as a builder reads them: 45 s, 12:30, 1:05:00. */
export function clock(seconds: number): string {
  const s = Math.round(seconds);
  if (s < 60) return `${s} s`;
  const two = (n: number): string => String(n).padStart(2, '0');
  return s < 3600
    ? `${Math.floor(s / 60)}:${two(s % 60)}`
    : `${Math.floor(s / 3600)}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}`;
}

/** "90", "1:30", "1:05:00", "20 min", "2 h" as seconds; null for anything else. */
export function readClock(text: string): number | null {
  const t = text.trim().toLowerCase();
  const word = /^([\d.]+)\s*(s|sec|min|m|h)?$/.exec(t);
  if (word) {
    const n = Number(word[1]);
    return Number.isFinite(n) ? n * ({ h: 3600, m: 60, min: 60 }[word[2] ?? ''] ?? 1) : null;
  }
  const parts = /^(\d+):(\d{1,2})(?::(\d{1,2}))?$/.exec(t);
  if (!parts) return null;
  const [, a, b, c] = parts.map(Number) as [number, number, number, number];
  return Number.isNaN(c) ? a * 60 + b : a * 3600 + b * 60 + c;
}
