/**
 * Recurring shapes of catalogue parts, so that a part is one line of figures. All parts and makers
 * are invented.
 */
export { fanPoints, makeRadiator as radiator, port, sealed } from '@/core/making';
