import { formatMillimetres } from '../units';
import { applyEdit, componentName, type Design, type Edit } from '../design';
import type { FittingPart, Part, TubePart } from '../components';
import { compileSystem } from '../system';
import { pathLength, routeOne, routesOf, storedRouteOf, type Route } from '../routing';
import { msg } from '../messages';
import { changesOf } from './changes';
import { variablesOf, type Looking, type PartState, type Variable } from './states';

/** Something that gives a run its way, tried. */
export interface Opening {
  readonly label: string;
  /** The change, with the route it was found to give. */
  readonly edit: Edit;
}

/** Changes tried of each kind, openings offered of each, and of all. */
const MOST_TRIED = 8,
  MOST_OF_A_KIND = 2,
  MOST_OFFERED = 4;

/**
 * What would give a run a way that has none: its ends left to the router, another port, a part at
 * one of its ends turned or slid as far as it may, a tube that bends tighter, thinner if need be.
 * Each is tried past everything that stands and all other runs that then still hold; only what was found
 * to give a way is offered.
 */
export function openingsFor(
  design: Design,
  connection: string,
  offer: readonly Part[],
): readonly Opening[] {
  const found = changesFor(design, connection, offer).map((kind) =>
    opensOf(kind.slice(0, MOST_TRIED), design, connection),
  );
  // One of each kind before a second of any.
  return Array.from({ length: MOST_OF_A_KIND }, (_, n) => found.flatMap((of) => of[n] ?? []))
    .flat()
    .slice(0, MOST_OFFERED);
}

/** The first of some changes that give the run a way. */
function opensOf(
  changes: readonly Change[],
  design: Design,
  connection: string,
): readonly Opening[] {
  const found: Opening[] = [];
  for (const { label, edits } of changes) {
    if (found.length >= MOST_OF_A_KIND) break;
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
  // One that is shown in the hand though it meets something is no way.
  return routed.missing.some((m) => m.connection === connection)
    ? null
    : (routed.routes.find((r) => r.connection === connection) ?? null);
}

interface Change {
  readonly label: string;
  readonly edits: readonly Edit[];
}

/** What may open a way, by kind: ends, ports and turns, slides, tubes. */
function changesFor(
  design: Design,
  connection: string,
  offer: readonly Part[],
): readonly (readonly Change[])[] {
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
  const moved = (['ports', 'slides'] as const).map((looking) =>
    changesOfParts(design, connection, parts, looking),
  );
  const now = { tube: run.tube ?? loop.tube, fitting: run.fitting ?? loop.fitting };
  const tubes = smallerTubes(now, offer).map(({ tube, fitting }): Change => {
    const change = { do: 'connection.tube', loop: loop.id, connection, tube, fitting } as const;
    return {
      label: msg`Take ${tube.name} for it, which bends at ${tube.minBend_mm} mm`,
      edits: [change],
    };
  });
  return [freed, ...moved, tubes];
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

interface TubeWithFitting {
  readonly tube: TubePart;
  readonly fitting: FittingPart;
}

/**
 * Tubes of the same kind that bend tighter, of the same size or thinner, each with a fitting for it:
 * the least change first. A fitting of the family in use is taken where there is one.
 */
function smallerTubes(now: TubeWithFitting, offer: readonly Part[]): readonly TubeWithFitting[] {
  const { tube } = now;
  const isSameSize = (p: TubePart): boolean =>
    p.outer_mm === tube.outer_mm && p.inner_mm === tube.inner_mm;
  return offer
    .filter(
      (p): p is TubePart =>
        p.kind === 'tube' &&
        p.hard === tube.hard &&
        p.minBend_mm < tube.minBend_mm &&
        (isSameSize(p) || p.outer_mm < tube.outer_mm),
    )
    .sort((a, b) => b.outer_mm - a.outer_mm || b.minBend_mm - a.minBend_mm)
    .flatMap((smaller) => {
      const fitting = isSameSize(smaller) ? now.fitting : fittingFor(smaller, now.fitting, offer);
      return fitting ? [{ tube: smaller, fitting }] : [];
    });
}

/** A fitting for a tube, of the same family as another if there is one. */
function fittingFor(
  tube: TubePart,
  { family }: FittingPart,
  offer: readonly Part[],
): FittingPart | undefined {
  const fitting = offer.filter(
    (p): p is FittingPart =>
      p.kind === 'fitting' &&
      p.duty === (tube.hard ? 'hard-tube' : 'compression') &&
      p.tube?.outer_mm === tube.outer_mm &&
      (tube.hard || p.tube.inner_mm === tube.inner_mm),
  );
  return fitting.find((p) => p.family === family) ?? fitting[0];
}
