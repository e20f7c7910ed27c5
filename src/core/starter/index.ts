export { starterEdit, type StarterAsked } from './starter';
