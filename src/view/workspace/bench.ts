import same from 'fast-deep-equal';
import { createStore } from 'zustand/vanilla';
import { useShelves } from '@/view/shared';
import { applyEdit, EditError, type Build, type Edit } from '@/core/build';
import { workOut, type Workings } from '@/core/evaluate';
import { sameSpace, type Routed } from '@/core/route';
import { writeJournal, type JournalEntry, type Step } from './journal';
import { sendBuild } from './send';

export type SaveState = 'saved' | 'saving' | 'unsaved' | 'offline' | 'refused';
export interface Conflict {
  readonly revision: number;
  readonly build: Build;
}

export interface BenchState {
  readonly id: string;
  readonly revision: number;
  readonly build: Build;
  readonly workings: Workings;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  readonly save: SaveState;
  readonly conflict: Conflict | null;
  /** The thing picked everywhere: an item, run, loop or mount id. */
  readonly picked: string | null;
  /** Says once what just went wrong. */
  readonly said: string | null;
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
  open(drawer: BenchState['drawer']): void;
  setSearch(on: boolean): void;
  restore(entry: JournalEntry): void;
  keepMine(): void;
  takeTheirs(): void;
}

export type Bench = ReturnType<typeof createBench>;

/** Steps kept for undo. */
const HISTORY = 400;
const SAVE_AFTER_MS = 500;
const RETRY_AFTER_MS = 4000;
/** Edits of one gesture (a dragged handle) within this time become one step. */
const GESTURE_MS = 1200;

/** Whether what came over the wire is this build; what JSON leaves out does not count. */
const sameDocument = (mine: Build, theirs: Build): boolean =>
  same(JSON.parse(JSON.stringify(mine)), JSON.parse(JSON.stringify(theirs)));

/** How far routing is; it runs beside whatever is open. */
export interface RouteJob {
  readonly progress: number | null;
  readonly stopped: boolean;
  stop(): void;
  again(): void;
}
const NO_JOB: RouteJob = {
  progress: null,
  stopped: false,
  stop: () => undefined,
  again: () => undefined,
};

const think = (build: Build): Workings => workOut(build, { offer: useShelves.getState().offer });

/** Runs that a change of space left without a route, or in something's way. */
function wantsRouting({ reports, routed }: Workings, build: Build): boolean {
  if (build.case === null) return false;
  const pinned = (id: string): boolean => build.layout.routes[id]?.pinned ?? false;
  const meets = routed.routes.some((r) => (r.told?.nearest?.gap_mm ?? 0) < 0 && !pinned(r.link));
  return meets || reports.runs.some((r) => r.by === 'tube' && r.estimated && !pinned(r.id));
}

/** The state of one open build: the document, what follows from it, and its way to the journal and the server. */
export function createBench(id: string, revision: number, build: Build) {
  let timer: ReturnType<typeof setTimeout> | null = null;
  let gesture: { key: string; at: number } | null = null;
  let sending = false;
  /** Sent, its answer not heard. */
  let unheard: Build | null = null;

  const store = createStore<BenchState>()((set, get) => {
    const journal = (dirty: boolean): void => {
      const { build: b, revision: r, past, future } = get();
      void writeJournal(id, {
        build: b,
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
      const { build: sent, revision: on, conflict } = get();
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
        [sent, before].some((mine) => mine !== null && sameDocument(mine, answer.build))
          ? answer.build
          : null;
      if (answer.kind === 'saved' || (answer.kind === 'stale' && own)) {
        const changed = get().build !== sent || (own !== null && !sameDocument(sent, own));
        set({ revision: answer.revision, save: changed ? 'unsaved' : 'saved' });
        journal(changed);
        if (changed) later(SAVE_AFTER_MS);
      } else if (answer.kind === 'stale')
        set({ save: 'unsaved', conflict: { revision: answer.revision, build: answer.build } });
      else if (answer.kind === 'refused') set({ save: 'refused', said: answer.message });
      else {
        set({ save: 'offline' });
        later(RETRY_AFTER_MS);
      }
    };
    const become = (next: Build, rest: Partial<BenchState>): void => {
      set({ build: next, workings: think(next), save: 'unsaved', ...rest });
      journal(true);
      later(SAVE_AFTER_MS);
    };
    const step = (
      from: readonly Step[],
      to: readonly Step[],
    ): readonly [Build, readonly Step[], readonly Step[]] | null => {
      const last = from[from.length - 1];
      if (!last) return null;
      const done = applyEdit(get().build, last.edit);
      return [done.build, from.slice(0, -1), [...to, { ...last, edit: done.inverse }]];
    };

    return {
      id,
      revision,
      build,
      workings: think(build),
      past: [],
      future: [],
      save: 'saved',
      conflict: null,
      picked: null,
      said: null,
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
        const done = applyEdit(get().build, edit);
        const patches = patchesOf(done.inverse);
        const at = past.findIndex((s) => s.id !== undefined && s.id === step);
        const own: Step = { id: nextStep(), label: 'route the runs', edit: done.inverse };
        const joined = past.map((s, i) =>
          i === at ? { ...s, edit: patchOf([...patches, ...patchesOf(s.edit)]) } : s,
        );
        become(done.build, {
          past: at < 0 ? [...past, own] : joined,
          future: at < 0 ? [] : future,
          toRoute: null,
        });
      },
      rethink: () => set({ workings: think(get().build) }),
      setRouteJob: (routeJob) => set({ routeJob }),
      commit: (label, edit, merge) => {
        let done;
        try {
          done = applyEdit(get().build, edit);
        } catch (error) {
          set({
            said: error instanceof EditError ? error.message : 'That cannot be done to this build.',
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
        become(done.build, {
          past: [...(merges ? past.slice(0, -1) : past), own].slice(-HISTORY),
          future: [],
          said: null,
        });
        const moved =
          before.build.layout !== done.build.layout || !sameSpace(before.build, done.build);
        if (!moved) return;
        const toRoute = wantsRouting(get().workings, done.build) ? { step: own.id ?? null } : null;
        // While a gesture goes on, what it is compared with stays what was there before it.
        set(merges ? { toRoute } : { toRoute, routedBefore: before.workings.routed });
      },
      undo: () => {
        const s = step(get().past, get().future);
        gesture = null;
        if (s) become(s[0], { past: s[1], future: s[2], toRoute: null, routedBefore: null });
      },
      redo: () => {
        const s = step(get().future, get().past);
        gesture = null;
        if (s) become(s[0], { future: s[1], past: s[2], toRoute: null, routedBefore: null });
      },
      pick: (picked) => set({ picked }),
      say: (said) => set({ said }),
      open: (drawer) => set({ drawer }),
      setSearch: (search) => set({ search }),
      restore: (entry) => {
        const workings = think(entry.build);
        const last = entry.past[entry.past.length - 1];
        // The page was left while its last change was being routed: that goes on.
        const toRoute =
          last && wantsRouting(workings, entry.build) ? { step: last.id ?? null } : null;
        set({ build: entry.build, workings, past: entry.past, future: entry.future, toRoute });
        unheard = entry.sent ?? null;
        const ahead = entry.revision >= get().revision;
        if (
          ahead ||
          [entry.build, unheard].some((mine) => mine !== null && sameDocument(mine, build))
        ) {
          if (ahead) set({ revision: entry.revision });
          if (entry.dirty && (ahead || !sameDocument(entry.build, build))) {
            set({ save: 'unsaved' });
            later(0);
          } else journal(false);
        } else
          set({
            save: 'unsaved',
            conflict: { revision: get().revision, build },
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
        set({
          conflict: null,
          revision: conflict.revision,
          build: conflict.build,
          workings: think(conflict.build),
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

const patchOf = (patches: Extract<Edit, { do: 'patch' }>['patches']): Edit => ({
  do: 'patch',
  patches,
});

let steps = 0;
/** Numbers for the steps of this page, so that routing finds the step it belongs to. */
const nextStep = (): number => Date.now() * 1000 + (steps++ % 1000);

const patchesOf = (edit: Edit): Extract<Edit, { do: 'patch' }>['patches'] =>
  edit.do === 'patch' ? edit.patches : [];
