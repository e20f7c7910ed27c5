import type { Build } from './types';

/**
 * The same build with nothing routed: runs are estimated from port to port. Two designs are compared on this basis where one
 * of them was never routed, so that no difference comes from routing alone.
 */
export const withoutRoutes = (build: Build): Build => ({
  ...build,
  layout: { ...build.layout, routes: {}, noWay: {} },
});
