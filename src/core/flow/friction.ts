/** Darcy friction factors. All take the Reynolds number and the roughness over the bore; smooth plastic tube is about 0.0015 mm rough. */

/** Below this Reynolds number the flow in a tube is laminar, above TURBULENT it is turbulent; between, no formula is right. */
export const LAMINAR_RE = 2000;
export const TURBULENT_RE = 4000;

/** Colebrook (1939), solved by Newton's method to 1e-12; Re ≥ 4000, relative roughness 0–0.05. Meaningless below. */
export function colebrook(re: number, relativeRoughness: number): number {
  const a = relativeRoughness / 3.7;
  const b = 2.51 / re;
  let x = 1 / Math.sqrt(haaland(re, relativeRoughness));
  for (let i = 0; i < 20; i += 1) {
    const inner = a + b * x;
    const residual = x + 2 * Math.log10(inner);
    const step = residual / (1 + (2 * b) / (Math.LN10 * inner));
    x -= step;
    if (Math.abs(step) < 1e-12 * x) break;
  }
  return 1 / (x * x);
}

/** Haaland (1983), explicit, within 1.4 % of Colebrook for Re ≥ 4000. Only a first guess here. */
export function haaland(re: number, relativeRoughness: number): number {
  const x = -1.8 * Math.log10((relativeRoughness / 3.7) ** 1.11 + 6.9 / re);
  return 1 / (x * x);
}

/** Churchill (1977), Chem. Eng. 84(24), 91: one formula for all Re. A second opinion; it leaves 64/Re by 11 % at Re 2,300. */
export function churchill(re: number, relativeRoughness: number): number {
  const a = (2.457 * Math.log(1 / ((7 / re) ** 0.9 + 0.27 * relativeRoughness))) ** 16;
  const b = (37530 / re) ** 16;
  return 8 * ((8 / re) ** 12 + 1 / (a + b) ** 1.5) ** (1 / 12);
}

/**
 * Darcy friction factor for any Re > 0: 64/Re below 2,000, Colebrook above 4,000, and between them the cubic that joins
 * both in value and slope (close to the Dunlop cubic of the EPANET 2 manual; no published formula is right there).
 * Throws RangeError for Re ≤ 0 or a roughness outside 0–0.05.
 */
export function frictionFactor(re: number, relativeRoughness: number): number {
  if (!(re > 0)) throw new RangeError(`Reynolds number must be above 0, got ${re}`);
  if (!(relativeRoughness >= 0 && relativeRoughness <= 0.05)) throw new RangeError(`relative roughness must be 0 to 0.05, got ${relativeRoughness}`);
  if (re <= LAMINAR_RE) return 64 / re;
  if (re >= TURBULENT_RE) return colebrook(re, relativeRoughness);
  const f0 = 64 / LAMINAR_RE;
  const m0 = -64 / LAMINAR_RE ** 2;
  const f1 = colebrook(TURBULENT_RE, relativeRoughness);
  const m1 = (colebrook(TURBULENT_RE + 1, relativeRoughness) - f1);
  const h = TURBULENT_RE - LAMINAR_RE;
  const t = (re - LAMINAR_RE) / h;
  return (2 * t ** 3 - 3 * t ** 2 + 1) * f0 + (t ** 3 - 2 * t ** 2 + t) * h * m0 + (-2 * t ** 3 + 3 * t ** 2) * f1 + (t ** 3 - t ** 2) * h * m1;
}

/** Whether a run is in the band where no friction formula is right. */
export const isBetweenRegimes = (re: number): boolean => re > LAMINAR_RE && re < TURBULENT_RE;
