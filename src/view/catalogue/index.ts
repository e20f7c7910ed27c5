export { StoresPage } from './CataloguePage';
export { partFigures } from './figures';
