/** A clip for so much soft tube that is held to its route, mm (common practice, no source). */
export const CLIP_EVERY_MM = 150;

/** How many clips hold so long a soft tube to its route. */
export const clipCount = (length_mm: number): number =>
  Math.max(1, Math.round(length_mm / CLIP_EVERY_MM));
