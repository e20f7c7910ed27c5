import type { Design } from '@/core/design';
import { tubeCompliance } from '@/core/bom';
import type { Run } from '@/core/tubing';

export type Loop = Design['loops'][number];

/** What the tubes of a loop swell by, mL/bar. */
export const compliance = (loop: Loop, runs: readonly Run[]): number =>
  runs
    .filter((r) => r.loop === loop.id && r.by === 'tube')
    .reduce(
      (sum, r) =>
        sum +
        tubeCompliance({
          volume_mL: r.volume_mL,
          outer_mm: loop.tube.outer_mm,
          inner_mm: loop.tube.inner_mm,
          material: loop.tube.material,
        }),
      0,
    );
