export { betterLayout, type BetterLayout } from './betterLayout';
