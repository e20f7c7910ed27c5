export { ProofTable } from './ProofTable';
