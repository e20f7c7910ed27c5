export { CataloguePage } from './CataloguePage';
export { partFigures } from './figures';
