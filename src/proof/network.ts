import epanetFile from '@reference/epanet.json';
import networkFile from '@reference/network.json';
import teesFile from '@reference/tees.json';
import { reynolds, solveNetwork, TEE_K, type FlowNetwork } from '@/core/hydraulics';
import { CHECK_NETWORKS } from './networks';
import { networkOfReference, type ReferenceNetwork } from './reference';
import { absolute, relative, type Case, type ProofValue } from './row';

/** Below this a flow is a residue, not a flow, L/min. */
const NO_FLOW_LMIN = 0.01;

/**
 * Tolerances against EPANET: outside Re 2,000–4,000, and inside, where it joins laminar and
 * turbulent by another cubic.
 */
export const NETWORK_TOLERANCE = { outside: 0.005, between: 0.035 } as const;

/** Whether some tube of a network flows between laminar and turbulent. */
export function flowsBetween(network: FlowNetwork, flows: ReadonlyMap<string, number>): boolean {
  return network.links.some((l) => {
    const re =
      l.pipe && l.pipe.length_mm > 0
        ? reynolds(flows.get(l.id) ?? 0, l.pipe.bore_mm, network.fluid)
        : 0;
    return re > 2000 && re < 4000;
  });
}

/** The link of a network that is farthest off. */
function worst(
  id: string,
  about: string,
  source: string,
  network: FlowNetwork,
  expected: Readonly<Record<string, number>>,
): ProofValue[] {
  const { flows } = solveNetwork(network);
  const between = flowsBetween(network, flows);
  const off = Object.entries(expected)
    .filter(([, q]) => Math.abs(q) > NO_FLOW_LMIN)
    .map(([link, q]) => ({
      link,
      q,
      got: flows.get(link) ?? NaN,
      by: Math.abs((flows.get(link) ?? NaN) / q - 1),
    }));
  const far = off.reduce<(typeof off)[number] | null>((a, b) => (a && a.by >= b.by ? a : b), null);
  return far
    ? [
        relative(
          {
            id,
            subject: between ? 'networks, some tube between regimes' : 'networks',
            quantity: `${about}: flow in ${far.link}, the farthest off of ${off.length}`,
            source,
            unit: 'L/min',
            expected: far.q,
            got: far.got,
          },
          between ? NETWORK_TOLERANCE.between : NETWORK_TOLERANCE.outside,
        ),
      ]
    : [];
}

export function networkRows(): ProofValue[] {
  const published = (
    networkFile.cases as unknown as (ReferenceNetwork & {
      readonly description: string;
      readonly source: string;
    })[]
  ).flatMap((c) =>
    worst(c.id, c.description, c.source, networkOfReference(c), c.expected.epanet.flows_L_min),
  );
  const own = (
    epanetFile.cases as unknown as Case<
      { network: string },
      { flows_L_min: Record<string, number> }
    >[]
  ).flatMap((c) => {
    const network = CHECK_NETWORKS.find((n) => n.id === c.inputs.network)?.network;
    return network
      ? worst(c.id, c.description ?? c.id, c.source, network, c.expected.flows_L_min)
      : [];
  });
  return [...published, ...own];
}

const LAWS: readonly (readonly [string, (share: number) => number, string])[] = [
  ['tee-run-converging', TEE_K.runJoining, 'straight way, joining'],
  ['tee-branch-converging', TEE_K.branchJoining, 'branch, joining'],
  ['tee-run-diverging', TEE_K.runDividing, 'straight way, dividing'],
  ['tee-branch-diverging', TEE_K.branchDividing, 'branch, dividing'],
];

/** Rows where the published K is below 0 are checked as the 0 that this project holds it at. */
export function teeRows(): ProofValue[] {
  return (
    teesFile.cases as unknown as Case<{ branch_share: number }, { K_on_combined_flow: number }>[]
  ).flatMap((c): ProofValue[] => {
    const law = LAWS.find(([stem]) => c.id.startsWith(stem));
    if (!law) return [];
    const expected = Math.max(0, c.expected.K_on_combined_flow);
    return [
      absolute(
        {
          id: c.id,
          subject: 'tees',
          quantity: `K, ${law[2]}, ${Math.round(100 * c.inputs.branch_share)} % in the branch${c.expected.K_on_combined_flow < 0 ? ' (published below 0, held at 0)' : ''}`,
          source: c.source,
          unit: '–',
          expected,
          got: law[1](c.inputs.branch_share),
        },
        1e-9,
      ),
    ];
  });
}
