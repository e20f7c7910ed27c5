export {
  QUANTITIES,
  LMIN_TO_M3S,
  GRAVITY_MS2,
  ZERO_C_K,
  type Quantity,
  type QuantityName,
  type Unit,
} from './units';
export { parseQuantity, type Parsed } from './parse';
export {
  parseColumns,
  parsePoints,
  type ParsedColumns,
  type ParsedPoints,
  type PointTrouble,
} from './points';
export { falsePosition, type RootTolerance } from './root';
export { pchip, pchipAt, pchipInto, type Pchip } from './pchip';
export { convertFromInner } from './convert';
export { formatNumber, formatMoney, formatPrice, type FormatOptions } from './format';
export { formatDate, weekdayNames, type DateStyle } from './date';
export {
  decimalsShown,
  formatCelsius,
  formatCubicMetres,
  formatFlow,
  formatKelvin,
  formatKilopascals,
  formatMeasure,
  formatMillimetres,
  formatShown,
  formatSize,
  formatSound,
  formatSpeed,
  formatWatts,
  showUnits,
  UNITS_KEY,
  shownUnits,
  ticksShown,
  tickShown,
  unitShown,
  valueShown,
  type UnitSystem,
} from './shown';
export { bandOf, normal, randomBy, type Band } from './random';
export { DAY_MIN, isoDay, isoMinutes } from './time';
