export {
  openOutbox,
  keptBuilds,
  keptWork,
  type Kept,
  type LeftBehind,
  type OpenedOutbox,
  type Outbox,
} from './outbox';
export {
  joined,
  readLog,
  stepped,
  withLaidOut,
  type LogRecord,
  type Step,
  type WorkState,
} from './log';
