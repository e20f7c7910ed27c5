export { counted, Counted, messageOf, msg, wholeParts, type MessageValue } from './message';
export {
  currentWriting,
  followLanguage,
  shownLanguage,
  showLanguage,
  type Writing,
} from './language';
export { worded } from './worded';
export { formatNumber, formatPrice, numberMarks, type FormatOptions } from './number';
export { listAnd, listOr, noted, sentences, someOf } from './list';
