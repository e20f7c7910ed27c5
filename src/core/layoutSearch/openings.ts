import { formatMillimetres } from '../units';
import { applyEdit, componentName, type Design, type Edit } from '../design';
import type { Part, TubePart } from '../components';
import { compileSystem } from '../system';
import { pathLength, routeOne, routesOf, storedRouteOf, type Route } from '../routing';
import { msg } from '../messages';
import { changesOf } from './improve';
import { variablesOf, type Looking, type PartState, type Variable } from './states';

/** Something that gives a run its way, tried. */
export interface Opening {
  readonly label: string;
  /** The change, with the route it was found to give. */
  readonly edit: Edit;
}

/** Changes tried, and openings offered. */
const MOST_TRIED = 16,
  MOST_OFFERED = 4;

/**
 * What would give a run a way that has none: its ends left to the router, another port, a part at
 * one of its ends turned or slid as far as it may, a tube of the same size that bends tighter. Each
 * is tried past everything that stands and all other runs that then still hold; only what was found
 * to give a way is offered.
 */
export function openingsFor(
  design: Design,
  connection: string,
  offer: readonly Part[],
): readonly Opening[] {
  const found: Opening[] = [];
  for (const { label, edits } of changesFor(design, connection, offer).slice(0, MOST_TRIED)) {
    if (found.length >= MOST_OFFERED) break;
    const changed = applyEdit(design, { do: 'batch', edits }).design;
    const route = wayIn(changed, connection);
    if (!route) continue;
    const laid: Edit = {
      do: 'layout.set',
      routes: { [connection]: storedRouteOf(route) },
      noRoute: { [connection]: null },
    };
    found.push({
      label: msg`${label}: a route of ${formatMillimetres(pathLength(route.path))}`,
      edit: { do: 'batch', edits: [...edits, laid] },
    });
  }
  return found;
}

/** The way of one run past all that stands and the other runs that hold; null without one. */
function wayIn(design: Design, connection: string): Route | null {
  const system = compileSystem(design);
  const routed = routeOne(system, routesOf(system), connection);
  return routed.routes.find((r) => r.connection === connection) ?? null;
}

interface Change {
  readonly label: string;
  readonly edits: readonly Edit[];
}

function changesFor(design: Design, connection: string, offer: readonly Part[]): readonly Change[] {
  const loop = design.loops.find((l) => l.connections.some((c) => c.id === connection));
  const run = loop?.connections.find((c) => c.id === connection);
  if (!loop || !run) return [];
  const freed: readonly Change[] =
    run.ends.from === 'auto' && run.ends.to === 'auto'
      ? []
      : [
          {
            label: msg`Let the router choose its end fittings`,
            edits: [
              {
                do: 'connection.ends',
                loop: loop.id,
                connection,
                ends: { from: 'auto', to: 'auto' },
              },
            ],
          },
        ];
  const parts = [run.from.component, run.to.component];
  const moved = (['ports', 'slides'] as const).flatMap((looking) =>
    changesOfParts(design, connection, parts, looking),
  );
  const tubes = tighterTubes(run.tube ?? loop.tube, offer).map((tube): Change => ({
    label: msg`Take ${tube.name} for it, which bends at ${tube.minBend_mm} mm`,
    edits: [
      {
        do: 'connection.tube',
        loop: loop.id,
        connection,
        tube,
        fitting: run.fitting ?? loop.fitting,
      },
    ],
  }));
  return [...freed, ...moved, ...tubes];
}

/** Other states of the parts a run joins, its other runs left at their ports. */
function changesOfParts(
  design: Design,
  connection: string,
  parts: readonly string[],
  looking: Looking,
): readonly Change[] {
  const variables = variablesOf(compileSystem(design), looking);
  return variables.flatMap((v, i) => {
    if (!parts.includes(v.component)) return [];
    const [now] = v.states;
    return v.states.flatMap((state, k): Change[] => {
      if (k === 0 || !now || !isOwnChange(state, now, connection)) return [];
      const states = variables.map((_, n) => (n === i ? k : 0));
      const { edits } = changesOf(design, variables, states, looking);
      return edits.length > 0
        ? [{ label: labelOf(design, v, state, connection, looking), edits }]
        : [];
    });
  });
}

/** Whether only this run takes another port, or the part alone moves. */
function isOwnChange(state: PartState, now: PartState, connection: string): boolean {
  const changed = [...state.ports].filter(([end, p]) => now.ports.get(end)?.port.id !== p.port.id);
  const own = changed.filter(([end]) => end.startsWith(`${connection}/`));
  return state.pose ? changed.length === 0 : changed.length === own.length && own.length > 0;
}

function labelOf(
  design: Design,
  v: Variable,
  state: PartState,
  connection: string,
  looking: Looking,
): string {
  const name = componentName(design, v.component);
  if (state.pose) return `${looking === 'ports' ? msg`Turn` : msg`Slide`} ${name}`;
  const port = [...state.ports].find(([end]) => end.startsWith(`${connection}/`))?.[1].port;
  return msg`Take the port “${port?.name ?? ''}” of ${name}`;
}

/** Tubes of the same size and kind that bend tighter, the least so first. */
function tighterTubes(tube: TubePart, offer: readonly Part[]): readonly TubePart[] {
  return offer
    .filter(
      (p): p is TubePart =>
        p.kind === 'tube' &&
        p.hard === tube.hard &&
        p.outer_mm === tube.outer_mm &&
        p.inner_mm === tube.inner_mm &&
        p.minBend_mm < tube.minBend_mm,
    )
    .sort((a, b) => b.minBend_mm - a.minBend_mm);
}
