import type { Design } from './types';

/**
 * The same build with nothing routed: runs are estimated from port to port. Two designs are
 * compared on this basis where one of them was never routed, so that no difference comes from
 * routing alone.
 */
export const withoutRoutes = (design: Design): Design => ({
  ...design,
  layout: { ...design.layout, routes: {}, noRoute: {} },
});
