export { Builds } from './Builds';
