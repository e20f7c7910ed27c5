/** How near its limit a hot spot may come before it counts as marginal, K (common practice, no source). */
export const SPOT_MARGIN_K = 5;
