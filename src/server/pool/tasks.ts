import { offered, type Shelves } from '@/catalogue';
import type { Build } from '@/core/build';
import { evaluate, type StageState } from '@/core/evaluate';
import type { Stage } from '@/core/finding';
import { guardBuild, parseBuild, type Trouble } from '@/core/guard';
import { drawingOf } from '@/core/part';
import { routeBuild } from '@/core/route';
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

/** What the threads of the pool do. Input and output are plain data; each is pure. */
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
  }: {
    readonly data: unknown;
    readonly shelves: Shelves;
    readonly fixes: boolean;
  }): Evaluated => {
    const guarded = guardBuild(data);
    if (!guarded.ok) return { ok: false, troubles: guarded.troubles };
    const build = guarded.value;
    return {
      ok: true,
      json: JSON.stringify(
        evaluate(build, { offer: offered(shelves), routed: routeBuild(build), fixes }),
      ),
    };
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
  const parts = new Map(build.items.map((item) => [item.id, item]));
  return build.loops.map((loop) => {
    const along = [...new Set(loop.links.map((link) => link.from.item))];
    return along.flatMap((id) => {
      const item = parts.get(id);
      return item && drawingOf(item.part) !== 'inline:tee'
        ? [{ kind: drawingOf(item.part), name: item.name }]
        : [];
    });
  });
}
