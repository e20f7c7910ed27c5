/** Flow bands in L/min (common practice, no source): where more flow stops paying. */
export const FLOW_BANDS = { poor: 2, fair: 3, good: 4.5 } as const;

export type FlowBand = 'poor' | 'fair' | 'good' | 'ample';

export function flowBand(flow_Lmin: number): FlowBand {
  if (flow_Lmin < FLOW_BANDS.poor) return 'poor';
  if (flow_Lmin < FLOW_BANDS.fair) return 'fair';
  return flow_Lmin <= FLOW_BANDS.good ? 'good' : 'ample';
}
