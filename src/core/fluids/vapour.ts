/**
 * Pressure of water vapour over water, Pa, 0 to 65 °C: Magnus formula with the coefficients of WMO
 * No. 8 (2008, annex 4.B, from memory). Within 0.6 % of Hyland and Wexler there. Glycol lowers it a little:
 * left out, on the safe side.
 */
export const vapourPressure = (temp_C: number): number =>
  611.2 * Math.exp((17.62 * temp_C) / (243.12 + temp_C));
