import { judgeCorrosion } from '@/core/corrosion';
import { variants } from './variants';

/** Metals, plastics and pairs of every variant. */
export const pin = (): unknown =>
  variants(4).map(({ id, design }) => ({ id, ...judgeCorrosion(design) }));
