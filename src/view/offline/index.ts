export { Offline } from './Offline';
