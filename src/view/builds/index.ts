export { Builds } from './Builds';
export { BinnedBuild } from './BinnedBuild';
