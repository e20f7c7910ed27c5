import same from 'fast-deep-equal';
import { createStore } from 'zustand/vanilla';
import { usePartLists } from '@/view/shared';
import { applyEdit, EditError, type Design, type Edit, type Component } from '@/core/design';
import { createSession, isSameSpace, type Analysis } from '@/core/analysis';
import { Engine } from '@/engine';
import { sameSpace, type Routed } from '@/core/routing';
import { writeOutbox, type OutboxEntry, type Step } from './outbox';
import { sendBuild } from './send';

export type SaveState = 'saved' | 'saving' | 'unsaved' | 'offline' | 'refused';
export interface Conflict {
  readonly revision: number;
  readonly design: Design;
}

export interface EditorState {
  readonly id: string;
  readonly revision: number;
  readonly design: Design;
  readonly analysis: Analysis;
  /** Runs what takes longer than a frame, over this build. */
  readonly engine: Engine;
  readonly versions: Versions;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  readonly save: SaveState;
  readonly conflict: Conflict | null;
  /** The thing picked everywhere: a component, run, loop or mount id. */
  readonly picked: string | null;
  /** Says once what just went wrong. */
  readonly diagnostic: string | null;
  readonly drawer: 'stores' | 'findings' | null;
  readonly search: boolean;
  /** The step whose edit left runs to be routed; null while there is none. */
  readonly toRoute: { readonly step: number | null } | null;
  /** The routes before the last change of space: to compare by. */
  readonly routedBefore: Routed | null;
  readonly routeJob: RouteJob;
  /** Asks for everything to be routed that is not. */
  route(): void;
  /** Writes what routing found into the document, as part of the step that made it necessary. */
  layOut(step: number | null, edit: Edit | null): void;
  setRouteJob(job: RouteJob): void;
  /** Works the build out again: the Stores offer something else. */
  rethink(): void;
  commit(label: string, edit: Edit, merge?: string): void;
  undo(): void;
  redo(): void;
  pick(id: string | null): void;
  say(text: string | null): void;
  open(drawer: EditorState['drawer']): void;
  setSearch(on: boolean): void;
  restore(entry: OutboxEntry): void;
  keepMine(): void;
  takeTheirs(): void;
}

/**
 * Counts of changes, by what of the design they touched: what jobs of the engine are asked again
 * by.
 */
export interface Versions {
  /** Where things stand and how they are connected. */
  readonly space: number;
  readonly fans: number;
  readonly pumps: number;
  /** Everything else but the name. */
  readonly rest: number;
  /** What the catalogue offers. */
  readonly offer: number;
}

export type Editor = ReturnType<typeof createEditor>;

/** Steps kept for undo. */
const HISTORY = 400;
const SAVE_AFTER_MS = 500;
const RETRY_AFTER_MS = 4000;
/** Edits of one gesture (a dragged handle) within this time become one step. */
const GESTURE_MS = 1200;

/** Whether what came over the wire is this build; what JSON leaves out does not count. */
const sameDocument = (ours: Design, theirs: Design): boolean =>
  same(JSON.parse(JSON.stringify(ours)), JSON.parse(JSON.stringify(theirs)));

/** How far routing is; it runs beside whatever is open. */
export interface RouteJob {
  readonly progress: number | null;
  readonly stopped: boolean;
  stop(): void;
  retry(): void;
}
const NO_JOB: RouteJob = {
  progress: null,
  stopped: false,
  stop: () => undefined,
  retry: () => undefined,
};

/** Runs that a change of space left without a route, or in something's way. */
function wantsRouting({ reports, routed }: Analysis, design: Design): boolean {
  if (design.case === null) return false;
  const pinned = (id: string): boolean => design.layout.routes[id]?.pinned ?? false;
  const meets = routed.routes.some(
    (r) => (r.reported?.nearest?.gap_mm ?? 0) < 0 && !pinned(r.connection),
  );
  return meets || reports.runs.some((r) => r.by === 'tube' && r.estimated && !pinned(r.id));
}

/**
 * The state of one open build: the document, what follows from it, and its way to the journal and
 * the server.
 */
export function createEditor(id: string, revision: number, design: Design) {
  let timer: ReturnType<typeof setTimeout> | null = null;
  let gesture: { key: string; at: number } | null = null;
  let sending = false;
  /** Sent, its answer not heard. */
  let unheard: Design | null = null;

  const session = createSession(design, usePartLists.getState().offer);
  const engine = new Engine(design, usePartLists.getState().partLists);
  const analyseNow = (next: Design): Analysis => {
    session.replace(next);
    session.offer(usePartLists.getState().offer);
    return session.analysis();
  };

  const store = createStore<EditorState>()((set, get) => {
    const journal = (dirty: boolean): void => {
      const { design: b, revision: r, past, future } = get();
      void writeOutbox(id, {
        design: b,
        revision: r,
        dirty,
        past,
        future,
        ...(unheard ? { sent: unheard } : {}),
      });
    };
    const later = (ms: number): void => {
      if (timer) clearTimeout(timer);
      timer = setTimeout(() => {
        void send();
      }, ms);
    };
    const send = async (): Promise<void> => {
      if (sending) {
        later(SAVE_AFTER_MS);
        return;
      }
      const { design: sent, revision: on, conflict } = get();
      if (conflict) return;
      sending = true;
      const before = unheard;
      unheard = sent;
      set({ save: 'saving' });
      journal(true);
      const answer = await sendBuild(id, on, sent);
      sending = false;
      if (answer.kind !== 'offline') unheard = null;
      const own =
        answer.kind === 'stale' &&
        [sent, before].some((ours) => ours !== null && sameDocument(ours, answer.design))
          ? answer.design
          : null;
      if (answer.kind === 'saved' || (answer.kind === 'stale' && own)) {
        const changed = get().design !== sent || (own !== null && !sameDocument(sent, own));
        set({ revision: answer.revision, save: changed ? 'unsaved' : 'saved' });
        journal(changed);
        if (changed) later(SAVE_AFTER_MS);
      } else if (answer.kind === 'stale')
        set({ save: 'unsaved', conflict: { revision: answer.revision, design: answer.design } });
      else if (answer.kind === 'refused') set({ save: 'refused', diagnostic: answer.message });
      else {
        set({ save: 'offline' });
        later(RETRY_AFTER_MS);
      }
    };
    /** The next build, and the edit that led there; null where it came from elsewhere. */
    const become = (next: Design, edit: Edit | null, rest: Partial<EditorState>): void => {
      const { design: before, versions } = get();
      if (edit) engine.edited(next, edit);
      else engine.replaced(next);
      const touched = edit ? partsTouched(before, next) : EVERY_PART;
      set({
        design: next,
        analysis: analyseNow(next),
        versions: raise(versions, touched),
        save: 'unsaved',
        ...rest,
      });
      journal(true);
      later(SAVE_AFTER_MS);
    };
    const step = (
      from: readonly Step[],
      to: readonly Step[],
    ): readonly [Design, readonly Step[], readonly Step[], Edit] | null => {
      const last = from[from.length - 1];
      if (!last) return null;
      const done = applyEdit(get().design, last.edit);
      return [done.design, from.slice(0, -1), [...to, { ...last, edit: done.inverse }], last.edit];
    };

    return {
      id,
      revision,
      design,
      analysis: analyseNow(design),
      engine,
      versions: { space: 0, fans: 0, pumps: 0, rest: 0, offer: 0 },
      past: [],
      future: [],
      save: 'saved',
      conflict: null,
      picked: null,
      diagnostic: null,
      drawer: null,
      search: false,
      toRoute: null,
      routedBefore: null,
      routeJob: NO_JOB,
      route: () => set({ toRoute: { step: null } }),
      layOut: (step, edit) => {
        if (!edit) {
          set({ toRoute: null });
          return;
        }
        const { past, future } = get();
        const done = applyEdit(get().design, edit);
        const patches = patchesOf(done.inverse);
        const at = past.findIndex((s) => s.id !== undefined && s.id === step);
        const own: Step = { id: nextStep(), label: 'route the runs', edit: done.inverse };
        const joined = past.map((s, i) =>
          i === at ? { ...s, edit: patchOf([...patches, ...patchesOf(s.edit)]) } : s,
        );
        become(done.design, edit, {
          past: at < 0 ? [...past, own] : joined,
          future: at < 0 ? [] : future,
          toRoute: null,
        });
      },
      rethink: () => {
        engine.offers(usePartLists.getState().partLists);
        const { design: now, versions } = get();
        set({ analysis: analyseNow(now), versions: raise(versions, ['offer']) });
      },
      setRouteJob: (routeJob) => set({ routeJob }),
      commit: (label, edit, merge) => {
        let done;
        try {
          done = applyEdit(get().design, edit);
        } catch (error) {
          set({
            diagnostic:
              error instanceof EditError ? error.message : 'That cannot be done to this build.',
          });
          return;
        }
        const { past } = get();
        const now = Date.now();
        const merges =
          merge !== undefined &&
          gesture?.key === merge &&
          now - gesture.at < GESTURE_MS &&
          past.length > 0;
        gesture = merge === undefined ? null : { key: merge, at: now };
        const last = past[past.length - 1];
        const before = get();
        const own: Step =
          merges && last
            ? {
                id: last.id ?? nextStep(),
                label,
                edit: patchOf([...patchesOf(done.inverse), ...patchesOf(last.edit)]),
              }
            : { id: nextStep(), label, edit: done.inverse };
        become(done.design, edit, {
          past: [...(merges ? past.slice(0, -1) : past), own].slice(-HISTORY),
          future: [],
          diagnostic: null,
        });
        const moved =
          before.design.layout !== done.design.layout || !sameSpace(before.design, done.design);
        if (!moved) return;
        const toRoute = wantsRouting(get().analysis, done.design) ? { step: own.id ?? null } : null;
        // While a gesture goes on, what it is compared with stays what was there before it.
        set(merges ? { toRoute } : { toRoute, routedBefore: before.analysis.routed });
      },
      undo: () => {
        const s = step(get().past, get().future);
        gesture = null;
        if (s) become(s[0], s[3], { past: s[1], future: s[2], toRoute: null, routedBefore: null });
      },
      redo: () => {
        const s = step(get().future, get().past);
        gesture = null;
        if (s) become(s[0], s[3], { future: s[1], past: s[2], toRoute: null, routedBefore: null });
      },
      pick: (picked) => set({ picked }),
      say: (diagnostic) => set({ diagnostic }),
      open: (drawer) => set({ drawer }),
      setSearch: (search) => set({ search }),
      restore: (entry) => {
        const analysis = analyseNow(entry.design);
        const last = entry.past[entry.past.length - 1];
        // The page was left while its last change was being routed: that goes on.
        const toRoute =
          last && wantsRouting(analysis, entry.design) ? { step: last.id ?? null } : null;
        engine.replaced(entry.design);
        const versions = raise(get().versions, EVERY_PART);
        set({
          design: entry.design,
          analysis,
          versions,
          past: entry.past,
          future: entry.future,
          toRoute,
        });
        unheard = entry.sent ?? null;
        const ahead = entry.revision >= get().revision;
        if (
          ahead ||
          [entry.design, unheard].some((ours) => ours !== null && sameDocument(ours, design))
        ) {
          if (ahead) set({ revision: entry.revision });
          if (entry.dirty && (ahead || !sameDocument(entry.design, design))) {
            set({ save: 'unsaved' });
            later(0);
          } else journal(false);
        } else
          set({
            save: 'unsaved',
            conflict: { revision: get().revision, design },
            revision: entry.revision,
          });
      },
      keepMine: () => {
        const { conflict } = get();
        if (!conflict) return;
        set({ conflict: null, revision: conflict.revision });
        journal(true);
        later(0);
      },
      takeTheirs: () => {
        const { conflict } = get();
        if (!conflict) return;
        engine.replaced(conflict.design);
        set({
          conflict: null,
          revision: conflict.revision,
          design: conflict.design,
          analysis: analyseNow(conflict.design),
          versions: raise(get().versions, EVERY_PART),
          past: [],
          future: [],
          save: 'saved',
        });
        journal(false);
      },
    };
  });
  return store;
}

const EVERY_PART: readonly (keyof Versions)[] = ['space', 'fans', 'pumps', 'rest'];

const raise = (versions: Versions, parts: readonly (keyof Versions)[]): Versions => ({
  ...versions,
  ...Object.fromEntries(parts.map((part) => [part, versions[part] + 1])),
});

/** What of the design differs between two of its states. */
function partsTouched(before: Design, after: Design): readonly (keyof Versions)[] {
  const touched = new Set<keyof Versions>();
  if (!isSameSpace(before, after)) touched.add('space');
  if (before.brief !== after.brief || before.choices !== after.choices) touched.add('rest');
  const components = new Map(before.components.map((i) => [i.id, i]));
  for (const component of after.components)
    if (components.get(component.id)?.settings !== component.settings)
      touched.add(settingsPart(component));
  return [...touched];
}

function settingsPart({ part }: Component): keyof Versions {
  if (part.kind === 'fan') return 'fans';
  return part.kind === 'pump' ? 'pumps' : 'rest';
}

const patchOf = (patches: Extract<Edit, { do: 'patch' }>['patches']): Edit => ({
  do: 'patch',
  patches,
});

let steps = 0;
/** Numbers for the steps of this page, so that routing finds the step it belongs to. */
const nextStep = (): number => Date.now() * 1000 + (steps++ % 1000);

const patchesOf = (edit: Edit): Extract<Edit, { do: 'patch' }>['patches'] =>
  edit.do === 'patch' ? edit.patches : [];
