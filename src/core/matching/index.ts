export { hostsFor, matchesOf, type Match, type MatchKind } from './matches';
export { blockOn, fitOf, type Fit } from './fit';
