import { Option, Project, Workspace, LinkProperty, NodeProperty } from 'epanet-js';

/** What EPANET makes of an input file: flows in L/min and heads in m by its own ids. */
export interface Solved {
  readonly engine: number;
  flow(id: string): number;
  head(id: string): number;
}

let workspace: Workspace | null = null;

/** Runs EPANET (npm epanet-js, development only) on an input file to an accuracy of 1e-8. */
export async function solveInEpanet(text: string): Promise<Solved> {
  if (!workspace) {
    workspace = new Workspace();
    await workspace.loadModule();
  }
  const project = new Project(workspace);
  workspace.writeFile('loop.inp', text);
  project.open('loop.inp', 'loop.rpt', 'loop.bin');
  project.setOption(Option.Accuracy, 1e-8);
  project.solveH();
  const flows = new Map<string, number>(),
    heads = new Map<string, number>();
  const links = project.getCount(2),
    nodes = project.getCount(0);
  for (let i = 1; i <= links; i += 1)
    flows.set(project.getLinkId(i), project.getLinkValue(i, LinkProperty.Flow));
  for (let i = 1; i <= nodes; i += 1)
    heads.set(project.getNodeId(i), project.getNodeValue(i, NodeProperty.Head));
  const engine = workspace.version;
  project.close();
  return { engine, flow: (id) => flows.get(id) ?? NaN, head: (id) => heads.get(id) ?? NaN };
}
