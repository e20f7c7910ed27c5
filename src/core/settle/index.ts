export { settle, type Settled } from './settle';
