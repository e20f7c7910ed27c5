/**
 * Sticks needed for these pieces, first fit decreasing; n pieces from a stick cost n − 1 kerfs. May be one stick over the
 * optimum. Null when a piece is longer than a stick. Lengths in mm.
 */
export function sticksNeeded(pieces_mm: readonly number[], stick_mm: number, kerf_mm: number): number | null {
  const left: number[] = [];
  for (const piece of [...pieces_mm].sort((a, b) => b - a)) {
    if (piece > stick_mm + 1e-9) return null;
    const i = left.findIndex((rest) => rest >= piece + kerf_mm - 1e-9);
    if (i >= 0) left[i] = (left[i] as number) - piece - kerf_mm;
    else left.push(stick_mm - piece);
  }
  return left.length;
}
