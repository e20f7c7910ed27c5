export { planPower, COMMON_HEADERS, type FeedLine, type PowerReport, type Unfed } from './plan';
