export { StoresPage } from './StoresPage';
export { partFigures } from './figures';
