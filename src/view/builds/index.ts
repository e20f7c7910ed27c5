export { Shelf } from './Builds';
