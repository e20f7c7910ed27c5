import { compileSystem } from '@/core/system';
import { routesOf, routedRuns } from '@/core/routing';
import {
  measureAirflowObstructions,
  measureGaps,
  mountDepthAt,
  portFits,
  screwNeeds,
} from '@/core/clearance';
import { MACHINES } from '@/catalogue/machines';
import { variants } from './variants';

const NEAREST = 40;

/** Gaps, ports, screws, mounts and what stands before radiators, of every variant and every machine. */
export const pin = (): unknown =>
  [...variants(4), ...MACHINES.map((m) => ({ id: m.name, design: m.make() }))].map(
    ({ id, design }) => {
      const system = compileSystem(design);
      const runs = routedRuns(system, routesOf(system));
      return {
        id,
        gaps: measureGaps(system)
          .gaps.slice(0, NEAREST)
          .map((g) => [g.a, g.b, g.nameB, g.gap_mm, g.worst_mm, g.rss_mm, g.verdict]),
        ports: portFits(system, runs),
        screws: screwNeeds(system),
        mounts: (design.case?.mounts ?? []).map((mount) => mountDepthAt(system, mount)),
        before: measureAirflowObstructions(system),
      };
    },
  );
