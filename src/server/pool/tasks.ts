import { offered, type PartLists } from '@/catalogue';
import { applyEdit, type Design } from '@/core/design';
import {
  createSession,
  evaluate,
  publish,
  shared,
  analyse,
  type Evaluation,
  type Reports,
  type Session,
  type StageState,
} from '@/core/analysis';
import type { Finding, Stage } from '@/core/checks';
import {
  validateDesign,
  parseDesign,
  type Validated,
  type ValidationIssue,
} from '@/core/validation';
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
  | { readonly ok: false; readonly troubles: readonly ValidationIssue[] };

/** What goes on paper: no ways out, which want a hand at the screen. */
export interface Paper {
  readonly reports: Reports;
  readonly findings: readonly Omit<Finding, 'candidates'>[];
}

/** Hears how many runs are routed, of how many. */
export type Tell = (done: number, of: number) => void;

/** The build with what is not routed, or no longer holds, routed. */
function routeStale(design: Design, tell: Tell): Design {
  const edit = rerouteEdit(design, (done, of) => {
    tell(done, of);
    return true;
  });
  return edit ? applyEdit(design, edit).design : design;
}

/** What this thread evaluated last: one document often follows another that differs little. */
let last: { readonly session: Session; readonly partLists: PartLists } | null = null;

function evaluateNext(design: Design, asked: PartLists, fixes: boolean): Evaluation {
  const partLists = shared(last?.partLists, asked);
  if (!last || partLists !== last.partLists)
    last = { session: createSession(design, offered(partLists)), partLists };
  const { session } = last;
  session.replace(shared(session.design, design));
  return publish(session.design, session.analysis(), fixes);
}

/**
 * What the threads of the pool do. Input and output are plain data; none changes what another
 * answers.
 */
export const TASKS = {
  /** A stored document to what the list shows of it; null when it cannot be read. */
  summarise: ({ document }: { readonly document: string }): BuildSummary | null => {
    const parsed = parseDesign(document);
    if (!parsed.ok) return null;
    const design = parsed.value;
    return {
      caseName: design.case?.name ?? null,
      stages: evaluate(design).stages,
      loops: stationsOf(design),
    };
  },

  /** A document to its whole evaluation as JSON text, or what is wrong with it. */
  evaluate: (
    {
      data,
      partLists,
      fixes,
      route,
    }: {
      readonly data: unknown;
      readonly partLists: PartLists;
      readonly fixes: boolean;
      readonly route: boolean;
    },
    tell: Tell,
  ): Evaluated => {
    const validated = validateDesign(data);
    if (!validated.ok) return { ok: false, troubles: validated.troubles };
    const design = route ? routeStale(validated.value, tell) : validated.value;
    return {
      ok: true,
      json: JSON.stringify(evaluateNext(design, partLists, fixes)),
    };
  },

  /** A document with everything routed that was not: the build, or what is wrong with it. */
  route: ({ data }: { readonly data: unknown }, tell: Tell): Validated<Design> => {
    const validated = validateDesign(data);
    return validated.ok ? { ok: true, value: routeStale(validated.value, tell) } : validated;
  },

  /** All that a printed sheet shows. */
  paper: ({ design }: { readonly design: Design }): Paper => {
    const { reports, findings } = analyse(design);
    return { reports, findings: findings.map(({ candidates: _candidates, ...rest }) => rest) };
  },

  /** A build to its parts list as CSV. */
  listCsv: ({
    design,
  }: {
    readonly design: Design;
  }): { readonly name: string; readonly csv: string } => ({
    name: `${slug(design.name)}-parts.csv`,
    csv: listToCsv(evaluate(design).reports.bom, design.brief.currency),
  }),
} as const;

export type TaskName = keyof typeof TASKS;
export type TaskInput<T extends TaskName> = Parameters<(typeof TASKS)[T]>[0];
export type TaskOutput<T extends TaskName> = ReturnType<(typeof TASKS)[T]>;

function stationsOf(design: Design): BuildSummary['loops'] {
  const parts = new Map(design.components.map((component) => [component.id, component]));
  return design.loops.map((loop) => {
    const along = [...new Set(loop.connections.map((connection) => connection.from.component))];
    return along.flatMap((id) => {
      const component = parts.get(id);
      return component && drawingOf(component.part) !== 'inline:tee'
        ? [{ kind: drawingOf(component.part), name: component.name }]
        : [];
    });
  });
}
