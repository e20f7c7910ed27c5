import { compileSystem } from '@/core/system';
import { runsOf } from '@/core/routing';
import {
  atFullSpeed,
  branchesOf,
  curvePoints,
  flowAtShares,
  networkOf,
  operatingCurves,
  pumpMargin,
  ratingTroubles,
  runDrop,
  slowestShareFor,
  solveFlow,
  tubeLossOf,
} from '@/core/hydraulics';
import { variants } from './variants';

/** Flow, pressures, drops, curves and branches of every variant. */
export const pin = (): unknown =>
  variants(5).map(({ id, design }) => {
    const system = compileSystem(design);
    const runs = runsOf(system);
    const flow = solveFlow(system, runs, new Map(design.loops.map((l, i) => [l.id, 31 + 4 * i])));
    return {
      id,
      loops: flow.loops.map(({ residual: _residual, iterations: _iterations, ...loop }) => loop),
      links: flow.links.map((l) => [
        l.id,
        l.flow_Lmin,
        l.drop_kPa,
        l.volume_mL,
        l.reynolds,
        l.regime,
      ]),
      pumps: flow.pumps,
      loopsAgain: system.loops.map((graph) => {
        const network = networkOf(system, graph, runs, 33);
        const curves = operatingCurves(network);
        return {
          shares: flowAtShares(network, [0.3, 0.6, 1]),
          curves: curves && [
            curves.group.kind,
            curves.group.pumps,
            ...[0.5, 2, 5].map((q) => [
              curves.systemCurve(q),
              curves.pumpCurve(q),
              curves.pumpCurve(q, 0.7),
            ]),
            curvePoints([1, 3], curves.systemCurve),
          ],
          margin: pumpMargin(network, 3),
          slowest: [1, 2, 4].map((q) => slowestShareFor(atFullSpeed(network), q)),
          branches: branchesOf(graph, network, flow.links),
          drops: runs.flatMap((run) =>
            run.loop === graph.loop.id && run.by === 'tube'
              ? [
                  [
                    run.id,
                    runDrop(
                      tubeLossOf(run, graph.loop, design.kit, network.fluid),
                      3.3,
                      network.fluid,
                    ),
                  ],
                ]
              : [],
          ),
        };
      }),
      ratings: design.components.flatMap(({ part }) =>
        part.kind === 'pump' ? [ratingTroubles(part)] : [],
      ),
    };
  });
