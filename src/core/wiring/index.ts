export { cableTrunk, type CableTrunk } from './trunk';
export { planWiring, COMMON_HEADERS, type FeedLine, type WiringReport, type Unfed } from './plan';
