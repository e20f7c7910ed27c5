import type { SpotHeat } from '@/core/thermal';
import type { Verdict } from '@/core/checks';
import { SPOT_MARGIN_K } from '@/core/checks';

export function spotVerdict(s: Pick<SpotHeat, 'temp_C' | 'limit_C'>): Verdict {
  if (s.temp_C === null) return 'unchecked';
  if (s.temp_C > s.limit_C) return 'fails';
  return s.limit_C - s.temp_C < SPOT_MARGIN_K ? 'marginal' : 'ok';
}
