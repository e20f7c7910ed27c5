/**
 * Effectiveness of a crossflow exchanger with both fluids unmixed: the exact series of Mason
 * (1955), as in Kays & London, "Compact Heat Exchangers", and Incropera. NTU ≥ 0, capacity ratio
 * 0–1. Terms are summed until they no longer count (1e-12).
 */
export function crossflowEffectiveness(ntu: number, ratio: number): number {
  if (!(ntu > 0)) return 0;
  if (ratio < 1e-6) return 1 - Math.exp(-ntu);
  const b = ratio * ntu;
  const ea = Math.exp(-ntu),
    eb = Math.exp(-b);
  let termA = ea,
    termB = eb;
  let tailA = 1 - termA,
    tailB = 1 - termB;
  let sum = 0;
  for (let n = 0; n < 400; n += 1) {
    const product = tailA * tailB;
    sum += product;
    if (product < 1e-13) break;
    termA *= ntu / (n + 1);
    termB *= b / (n + 1);
    tailA -= termA;
    tailB -= termB;
    if (tailA < 0 || tailB < 0) break;
  }
  return Math.min(1, sum / b);
}

/** Counterflow, for comparison: the most any exchanger of this NTU can do. Kays & London. */
export function counterflowEffectiveness(ntu: number, ratio: number): number {
  if (Math.abs(1 - ratio) < 1e-9) return ntu / (1 + ntu);
  const e = Math.exp(-ntu * (1 - ratio));
  return (1 - e) / (1 - ratio * e);
}

/**
 * Both unmixed by the common approximate formula, up to 3.8 % off the series: kept to show the
 * difference on the proof page.
 */
export function crossflowApproximation(ntu: number, ratio: number): number {
  return 1 - Math.exp((ntu ** 0.22 / ratio) * (Math.exp(-ratio * ntu ** 0.78) - 1));
}
