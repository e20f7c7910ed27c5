import { offered, type Shelves } from '@/catalogue';
import { applyEdit, type Build } from '@/core/design';
import {
  createSession,
  evaluate,
  publish,
  shared,
  workOut,
  type Evaluation,
  type Reports,
  type Session,
  type StageState,
} from '@/core/analysis';
import type { Finding, Stage } from '@/core/checks';
import { guardBuild, parseBuild, type Guarded, type Trouble } from '@/core/validation';
import { drawingOf } from '@/core/components';
import { rerouteEdit } from '@/core/routing';
import { listToCsv, slug } from '@/format';

/** What the list of builds shows of one. */
export interface BuildSummary {
  readonly caseName: string | null;
  readonly stages: Readonly<Record<Stage, StageState>>;
  /** Stations of each loop in flow order, for its small diagram. */
  readonly loops: readonly (readonly { readonly kind: string; readonly name: string }[])[];
}

export type Evaluated =
  | { readonly ok: true; readonly json: string }
  | { readonly ok: false; readonly troubles: readonly Trouble[] };

/** What goes on paper: no ways out, which want a hand at the screen. */
export interface Paper {
  readonly reports: Reports;
  readonly findings: readonly Omit<Finding, 'candidates'>[];
}

/** The build with what is not routed, or no longer holds, routed. */
function routeStale(build: Build): Build {
  const edit = rerouteEdit(build);
  return edit ? applyEdit(build, edit).build : build;
}

/** What this thread evaluated last: one document often follows another that differs little. */
let last: { readonly session: Session; readonly shelves: Shelves } | null = null;

function evaluateNext(build: Build, asked: Shelves, fixes: boolean): Evaluation {
  const shelves = shared(last?.shelves, asked);
  if (!last || shelves !== last.shelves)
    last = { session: createSession(build, offered(shelves)), shelves };
  const { session } = last;
  session.replace(shared(session.design, build));
  return publish(session.design, session.analysis(), fixes);
}

/** What the threads of the pool do. Input and output are plain data; none changes what another answers. */
export const TASKS = {
  /** A stored document to what the list shows of it; null when it cannot be read. */
  summarise: ({ document }: { readonly document: string }): BuildSummary | null => {
    const parsed = parseBuild(document);
    if (!parsed.ok) return null;
    const build = parsed.value;
    return {
      caseName: build.case?.name ?? null,
      stages: evaluate(build).stages,
      loops: stationsOf(build),
    };
  },

  /** A document to its whole evaluation as JSON text, or what is wrong with it. */
  evaluate: ({
    data,
    shelves,
    fixes,
    route,
  }: {
    readonly data: unknown;
    readonly shelves: Shelves;
    readonly fixes: boolean;
    readonly route: boolean;
  }): Evaluated => {
    const guarded = guardBuild(data);
    if (!guarded.ok) return { ok: false, troubles: guarded.troubles };
    const build = route ? routeStale(guarded.value) : guarded.value;
    return {
      ok: true,
      json: JSON.stringify(evaluateNext(build, shelves, fixes)),
    };
  },

  /** A document with everything routed that was not: the build, or what is wrong with it. */
  route: ({ data }: { readonly data: unknown }): Guarded<Build> => {
    const guarded = guardBuild(data);
    return guarded.ok ? { ok: true, value: routeStale(guarded.value) } : guarded;
  },

  /** All that a printed sheet shows. */
  paper: ({ build }: { readonly build: Build }): Paper => {
    const { reports, findings } = workOut(build);
    return { reports, findings: findings.map(({ candidates: _candidates, ...rest }) => rest) };
  },

  /** A build to its parts list as CSV. */
  listCsv: ({
    build,
  }: {
    readonly build: Build;
  }): { readonly name: string; readonly csv: string } => ({
    name: `${slug(build.name)}-parts.csv`,
    csv: listToCsv(evaluate(build).reports.list, build.brief.currency),
  }),
} as const;

export type TaskName = keyof typeof TASKS;
export type TaskInput<T extends TaskName> = Parameters<(typeof TASKS)[T]>[0];
export type TaskOutput<T extends TaskName> = ReturnType<(typeof TASKS)[T]>;

function stationsOf(build: Build): BuildSummary['loops'] {
  const parts = new Map(build.components.map((component) => [component.id, component]));
  return build.loops.map((loop) => {
    const along = [...new Set(loop.links.map((link) => link.from.component))];
    return along.flatMap((id) => {
      const component = parts.get(id);
      return component && drawingOf(component.part) !== 'inline:tee'
        ? [{ kind: drawingOf(component.part), name: component.name }]
        : [];
    });
  });
}
