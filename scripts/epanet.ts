/**
 * Writes reference/epanet.json: what EPANET says of our own check networks. Run after a network is
 * added; the tests run EPANET again.
 */
import { writeFileSync } from 'node:fs';
import { writeInp } from '../src/format/inp';
import { solveInEpanet } from '../src/proof/epanet.fixture';
import { CHECK_NETWORKS } from '../src/proof/networks';

async function main(): Promise<void> {
  const cases = [];
  let engine = 0;
  for (const { id, about, network, between } of CHECK_NETWORKS) {
    const solved = await solveInEpanet(writeInp(id, [{ id: 'loop', name: id, network }]));
    engine = solved.engine;
    cases.push({
      id: `epanet-${id}`,
      description: about,
      inputs: { network: id },
      expected: {
        flows_L_min: Object.fromEntries(
          network.links.map((l) => [l.id, Number(solved.flow(l.id).toPrecision(9))]),
        ),
      },
      tolerance: { rel: between ? 0.035 : 0.005 },
      source: `OWA-EPANET ${engine} (npm epanet-js 0.9.0), Darcy–Weisbach, accuracy 1e-8, our own input file`,
    });
  }
  writeFileSync(
    'reference/epanet.json',
    `${JSON.stringify({ title: 'Own check networks solved by EPANET', notes: ['The networks are those of src/proof/networks.ts; their curves reach EPANET as straight lines between close points.', 'Inside Re 2,000–4,000 EPANET takes another cubic and Swamee–Jain above it, ours joins Colebrook: hence the wider tolerance there.'], cases }, null, 1)}\n`,
  );
  console.log(`${cases.length} networks, engine ${engine}`);
}

void main();
