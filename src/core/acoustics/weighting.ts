/** Poles of the A-weighting, Hz (IEC 61672-1). */
const F1 = 20.598997,
  F2 = 107.65265,
  F3 = 737.86223,
  F4 = 12194.217;
/** Brings it to 0 dB at 1 kHz, dB. */
const A1000 = 2;

/** A-weighting at a frequency, dB: analytical form of IEC 61672-1, annex E (from memory). */
export function aWeighting(frequency_Hz: number): number {
  const f2 = frequency_Hz ** 2;
  const share =
    (F4 ** 2 * f2 ** 2) /
    ((f2 + F1 ** 2) * Math.sqrt((f2 + F2 ** 2) * (f2 + F3 ** 2)) * (f2 + F4 ** 2));
  return 20 * Math.log10(share) + A1000;
}
