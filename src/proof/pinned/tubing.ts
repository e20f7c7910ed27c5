import { compileSystem } from '@/core/system';
import { runsOf } from '@/core/routing';
import { linkVolume, standingVolumes } from '@/core/tubing';
import { variants } from './variants';

/** Every run of every variant, and what stands in its parts. */
export const pin = (): unknown =>
  variants(9).map(({ id, design }) => {
    const system = compileSystem(design);
    const runs = runsOf(system);
    return {
      id,
      runs: runs.map((r) => [
        r.id,
        r.by,
        r.cut_mm,
        r.bends,
        r.turning_deg,
        r.volume_mL,
        `${r.ends.from} ${r.ends.to}`,
        r.fittings.map((f) => `${f.end} ${f.duty}`).join(),
        r.guess,
        ...(r.routed ? [r.routed.lra, r.routed.last_mm] : []),
      ]),
      standing: system.loops.map((graph) => standingVolumes(system, graph)),
      links: system.loops.map(({ links, loop }) =>
        links.map((link) =>
          linkVolume(
            link,
            runs.find((r) => r.id === link.id && r.loop === loop.id),
          ),
        ),
      ),
    };
  });
