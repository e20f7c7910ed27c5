import type { PartKind } from '@/core/components';
import isDeepEqual from 'fast-deep-equal';
import { createStore } from 'zustand/vanilla';
import { usePartLists } from '@/view/shared';
import { afterPaint } from '@/view/shared/afterPaint';
import {
  applyEdit,
  BUILD_VERSION,
  EditError,
  mergeDesigns,
  withTheirs,
  type Clash,
  type Component,
  type Design,
  type Edit,
  type Merged,
  type PatchEdit,
  type PortRef,
} from '@/core/design';
import {
  createCompiler,
  createListener,
  isInWordsNow,
  isOnlyMoved,
  isSameSpace,
  type Analysis,
  type Told,
} from '@/core/analysis';
import { analystInThread, Engine, jobKey, type Heard, type MakeAnalyst } from '@/engine';
import type { CoolingCurve } from '@/core/thermal';
import { sameSpace, type Routed } from '@/core/routing';
import type { System } from '@/core/system';
import { msg } from '@/core/messages';
import {
  stepped,
  withLaidOut,
  type Kept,
  type LeftBehind,
  type LogRecord,
  type OpenedOutbox,
  type Outbox,
  type Step,
  type WorkState,
} from './outbox';
import { createSaver, sameDocument, type SaveState } from './saver';
import { takeFromBin } from './send';

export type { SaveState } from './saver';

/** Two versions of the build that do not go together by themselves. */
export interface Conflict {
  /** Who made the other one: another window or person by way of the server, or a closed window. */
  readonly from: 'server' | 'closed window';
  /** Revision the other one has on the server; of a closed window the one it grew from. */
  readonly revision: number;
  readonly design: Design;
  /** What both began with, where it is known. */
  readonly base: Design | null;
  /** Both sides' changes, mine where they clash. */
  readonly merged: Merged;
  /** Called when what is in it stands in this window's own log. */
  done?(): void;
}

/** How a clash is named when one side is chosen. */
export const clashKey = ({ path }: Clash): string => path.join('/');

export interface EditorState {
  readonly id: string;
  readonly revision: number;
  /** What is shown, and what was worked out of it: the two always belong together. */
  readonly design: Design;
  readonly analysis: Analysis;
  /** The document as it is after the last edit; shown once it is worked out, a frame later. */
  readonly latest: Design;
  /** Runs what takes longer than a frame, over this build. */
  readonly engine: Engine;
  /** The system of this build as it may be next: what it shares with the last one stays. */
  compile(design: Design): System;
  readonly versions: Versions;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  readonly save: SaveState;
  /** What the server says about it, or whether a build that is gone is in the bin. */
  readonly saveMessage: string | null;
  /** Whether what was done is written in this browser. */
  readonly kept: Kept;
  readonly conflict: Conflict | null;
  /** The thing picked everywhere: a component, run, loop or mount id. */
  readonly picked: string | null;
  /** Says once what just went wrong. */
  readonly diagnostic: string | null;
  readonly drawer: 'stores' | 'findings' | 'history' | 'help' | null;
  /** What the Stores open at; by what is missing when not said. */
  readonly storesAt: PartKind | null;
  readonly search: boolean;
  /** A run being drawn from port to port; null while none is. */
  readonly drawing: Drawing | null;
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
  /** The Stores, at a kind of part. */
  openStores(kind: PartKind): void;
  setSearch(on: boolean): void;
  setDrawing(drawing: Drawing | null): void;
  /** Takes up what this browser holds; edits made before then are done after it. */
  opened(opened: OpenedOutbox): void;
  setKept(kept: Kept): void;
  /** Takes up what windows closed since have left. */
  takeLeft(): void;
  /** Goes on with both sides' changes; of the clashes chosen, theirs. */
  settle(theirs: ReadonlySet<string>): void;
  takeTheirs(): void;
  /** Puts another whole document in place of this one, as a step. */
  replaceWith(label: string, design: Design): void;
  /** Takes a build that was deleted elsewhere out of the bin and saves on. */
  putBack(): Promise<void>;
  /** The network is there again: what waits for it is sent at once. */
  isBack(): void;
  pageCloses(): void;
  close(): void;
}

/** The ends of a run being drawn, and why the last try came to nothing. */
export interface Drawing {
  readonly from: PortRef | null;
  readonly to: PortRef | null;
  readonly why: string | null;
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
  /** Readings of the finished machine. */
  readonly log: number;
}

export type Editor = ReturnType<typeof createEditor>;

/** A build as a page gets it: the document, and what was worked out of it. */
export interface OpenedBuild {
  readonly id: string;
  readonly revision: number;
  readonly design: Design;
  readonly told: Told;
  /** Rise against noise, where the page opened on it. */
  readonly curves?: readonly CoolingCurve[] | null;
}

/** Nothing is changed yet. */
const UNCHANGED: Versions = { space: 0, fans: 0, pumps: 0, rest: 0, offer: 0, log: 0 };

/** What a job that reads these parts of a design is asked again by. */
export const versionOf = (reads: readonly (keyof Versions)[], versions: Versions): string =>
  reads.map((part) => versions[part]).join();

/** Curves run over all fan speeds, so the present ones do not ask for new curves. */
export const CURVES_READ: readonly (keyof Versions)[] = ['space', 'pumps', 'rest'];

/** Edits of one gesture (a dragged handle) within this time become one step. */
const GESTURE_MS = 1200;

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
 * The state of one open build: the document, what follows from it, and its way to the outbox and
 * the server.
 */
export function createEditor(
  { id, revision, design, told, curves }: OpenedBuild,
  makeAnalyst: MakeAnalyst = analystInThread,
) {
  let gesture: { key: string; at: number } | null = null;
  let outbox: Outbox | null = null;
  /** Edits made before the outbox was read. */
  let waiting: (() => void)[] = [];
  /** What closed windows left, still to be brought together with this. */
  let left: LeftBehind[] = [];

  /** The step after which runs may want routing, once it is worked out; undefined for none. */
  let movedBy: { readonly step: number | null } | undefined;
  /** With what is not shown yet: jobs are asked again with the build that is shown. */
  let versions = UNCHANGED;

  const { partLists } = usePartLists.getState();
  const compile = createCompiler();
  const listen = createListener(compile);

  return createStore<EditorState>()((set, get) => {
    const hear = ({ design: shown, told: of }: Heard): void => {
      const analysis = listen(shown, of);
      const moved = shown === get().latest ? movedBy : undefined;
      if (moved) movedBy = undefined;
      set({
        design: shown,
        analysis,
        versions,
        ...(moved ? { toRoute: wantsRouting(analysis, shown) ? moved : null } : {}),
      });
    };
    const analyst = makeAnalyst({ design, told }, partLists, hear, () =>
      set({
        diagnostic: msg`This build could not be worked out. What you did is kept; take back the
          last step, or reload the page.`,
      }),
    );
    const engine = new Engine(design, partLists, { curves: () => analyst.curves() });
    if (curves && isInWordsNow(told))
      engine.keep('curves', jobKey(versionOf(CURVES_READ, UNCHANGED), null), curves);
    const saver = createSaver(
      {
        id,
        now: () => ({
          design: get().latest,
          revision: get().revision,
          waits: get().conflict !== null,
        }),
        onState: (save, short, message) => {
          const isNew = message !== undefined && get().saveMessage !== short;
          // While it is tried again, what kept it from saving stays said.
          if (save === 'saving' && get().save === 'trouble') return;
          set({ save, saveMessage: short ?? null, ...(isNew ? { diagnostic: message } : {}) });
        },
        onSent: () => log({ type: 'sent' }),
        onSaved: (at) => {
          set({ revision: at });
          log({ type: 'acknowledged', revision: at });
        },
        onStale: (at, theirs, base) =>
          bringIn({ from: 'server', revision: at, design: theirs, base }),
      },
      design,
    );

    const workState = (): WorkState => {
      const { latest, revision: at, past, future } = get();
      return { design: latest, revision: at, ...saver.stands(), past, future };
    };
    const log = (record: LogRecord): Promise<boolean> =>
      outbox?.append(record, () => ({ type: 'state', version: BUILD_VERSION, ...workState() })) ??
      Promise.resolve(false);

    /** The next build, and the edit that led there; null where it came from elsewhere. */
    const become = (next: Design, edit: Edit | null, rest: Partial<EditorState>): void => {
      const { latest } = get();
      versions = raise(versions, edit ? partsTouched(latest, next) : EVERY_PART);
      set({ latest: next, save: 'unsaved', ...rest });
      if (edit) {
        // What is drawn ahead is drawn first.
        analyst.edited(next, edit, isOnlyMoved(latest, next) ? afterPaint : undefined);
        engine.edited(next, edit);
      } else for (const follower of [analyst, engine]) follower.replaced(next);
    };

    /** One step back or on: with its patches, and into the other list. */
    const turn = (which: 'undo' | 'redo'): void => {
      gesture = null;
      movedBy = undefined;
      const { past, future, latest } = get();
      const [from, to] = which === 'undo' ? [past, future] : [future, past];
      const last = from.at(-1);
      if (!last) return;
      const edit = which === 'undo' ? last.back : last.forth;
      const left = from.slice(0, -1),
        longer = [...to, last];
      become(applyEdit(latest, edit).design, edit, {
        past: which === 'undo' ? left : longer,
        future: which === 'undo' ? longer : left,
        toRoute: null,
        routedBefore: null,
      });
      log({ type: which });
      saver.edited(edit.patches);
    };

    /** Another document in place of this one, as a step that can be taken back. */
    const replace = (label: string, next: Design): Step => {
      const { latest, past } = get();
      const step: Step = { id: nextStep(), label, ...replacing(latest, next) };
      movedBy = { step: step.id };
      become(next, null, {
        past: [...past, step],
        future: [],
        toRoute: null,
        routedBefore: null,
        conflict: null,
      });
      return step;
    };

    /** Goes on from another's document with both sides' changes, as a step. */
    const goOn = (next: Design, { from, revision: at, design: theirs, done }: Conflict): void => {
      const isServer = from === 'server';
      const step = replace(
        isServer ? 'changes made elsewhere' : 'changes of a closed window',
        next,
      );
      if (isServer) {
        set({ revision: at });
        saver.rebase(theirs, null);
      }
      const logged = log(
        isServer
          ? { type: 'merged', step, revision: at, base: theirs }
          : { type: 'step', step, joins: false },
      );
      if (done) void logged.then((kept) => kept && done());
      if (isServer && sameDocument(next, theirs)) set({ save: 'saved' });
      else {
        saver.edited(null);
        saver.soon();
      }
      bringInLeft();
    };

    /** Another's document beside this one: brought together where they do not touch. */
    const bringIn = (other: Omit<Conflict, 'merged'>): void => {
      const merged = mergeDesigns(other.base, get().latest, other.design);
      const conflict: Conflict = { ...other, merged };
      if (merged.clashes.length === 0 && merged.loose.length === 0) goOn(merged.design, conflict);
      else set({ conflict, save: 'unsaved' });
    };

    /** What closed windows left, one after the other; each is let go of when it stands here. */
    const bringInLeft = (): void => {
      while (left.length > 0 && get().conflict === null) {
        const [next, ...others] = left as [LeftBehind, ...LeftBehind[]];
        left = others;
        const { design: theirs, base, revision: at } = next.state;
        const isNew =
          (base === null || !sameDocument(base, theirs)) && !sameDocument(theirs, get().latest);
        const done = (): void => void next.drop();
        if (isNew) bringIn({ from: 'closed window', revision: at, design: theirs, base, done });
        else done();
      }
    };

    /** Takes up a log as this window's own. */
    const restore = (state: WorkState): void => {
      const { revision: onServer } = get();
      const last = state.past.at(-1);
      // The page may have been left while its last change was being routed: that goes on.
      movedBy = last && { step: last.id };
      const { save } = get();
      become(state.design, null, {
        past: state.past,
        future: state.future,
        revision: state.revision,
        toRoute: null,
        save,
      });
      saver.rebase(state.base, state.unheard);
      const isClean = state.base !== null && sameDocument(state.base, state.design);
      // The page as sent may be older than what was saved from here since (browser back).
      if (state.revision > onServer || (state.revision === onServer && isClean)) {
        if (isClean) set({ save: 'saved' });
        else {
          set({ save: 'unsaved' });
          saver.soon();
        }
        return;
      }
      meetServer(state, onServer);
    };

    /** A log whose work the server does not hold, or holds under a later revision. */
    const meetServer = (state: WorkState, onServer: number): void => {
      const wasHeard = [state.design, state.unheard].find(
        (ours) => ours !== null && sameDocument(ours, design),
      );
      if (wasHeard) {
        set({ revision: onServer });
        saver.rebase(wasHeard, null);
        log({ type: 'state', version: BUILD_VERSION, ...workState() });
        if (wasHeard === state.design) set({ save: 'saved' });
        else saver.soon();
        return;
      }
      if (state.revision === onServer) {
        set({ save: 'unsaved' });
        saver.soon();
        return;
      }
      bringIn({ from: 'server', revision: onServer, design, base: state.base });
    };

    /** What is asked before the outbox is read, for the next stroke of a key to go on from. */
    const showAhead = (edit: Edit): void => {
      try {
        set({ latest: applyEdit(get().latest, edit).design });
      } catch {
        // It is told when it is done.
      }
    };

    /** Now, or when the outbox has been read. */
    const whenOpen = (work: () => void): void => {
      if (outbox) work();
      else waiting.push(work);
    };

    return {
      id,
      revision,
      design,
      analysis: listen(design, told),
      latest: design,
      engine,
      compile,
      versions,
      past: [],
      future: [],
      save: 'saved',
      saveMessage: null,
      kept: 'kept',
      conflict: null,
      picked: null,
      diagnostic: null,
      drawer: null,
      storesAt: null,
      search: false,
      drawing: null,
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
        const { design: next, inverse: back, forward: forth } = applyEdit(get().latest, edit);
        const isOfStep = step !== null && past.some((s) => s.id === step);
        const own: Step = { id: nextStep(), label: msg`route the runs`, back, forth };
        become(next, edit, {
          past: isOfStep ? withLaidOut(past, { step, back, forth }) : [...past, own],
          future: isOfStep ? future : [],
          toRoute: null,
        });
        log(
          isOfStep
            ? { type: 'laid-out', step, back, forth }
            : { type: 'step', step: own, joins: false },
        );
        saver.edited(forth.patches);
      },
      rethink: () => {
        const offer = usePartLists.getState().partLists;
        versions = raise(versions, ['offer']);
        engine.offers(offer);
        analyst.offers(offer);
      },
      setRouteJob: (routeJob) => set({ routeJob }),
      commit: (label, edit, merge) => {
        if (!outbox) {
          showAhead(edit);
          whenOpen(() => get().commit(label, edit, merge));
          return;
        }
        let done;
        try {
          done = applyEdit(get().latest, edit);
        } catch (error) {
          set({
            diagnostic:
              error instanceof EditError ? error.message : msg`That cannot be done to this build.`,
          });
          return;
        }
        const before = get(),
          now = Date.now();
        const joins =
          merge !== undefined &&
          gesture?.key === merge &&
          now - gesture.at < GESTURE_MS &&
          before.past.length > 0;
        gesture = merge === undefined ? null : { key: merge, at: now };
        const step: Step = { id: nextStep(), label, back: done.inverse, forth: done.forward };
        const past = stepped(before.past, step, joins);
        const isMoved =
          before.latest.layout !== done.design.layout || !sameSpace(before.latest, done.design);
        if (isMoved) movedBy = { step: past.at(-1)?.id ?? null };
        // While a gesture goes on, what it is compared with stays what was there before it.
        const { routed } = before.analysis;
        become(done.design, edit, {
          past,
          future: [],
          diagnostic: null,
          ...(isMoved && !joins ? { routedBefore: routed } : {}),
        });
        log({ type: 'step', step, joins });
        saver.edited(done.forward.patches);
      },
      undo: () => whenOpen(() => turn('undo')),
      redo: () => whenOpen(() => turn('redo')),
      pick: (picked) => set({ picked }),
      say: (diagnostic) => set({ diagnostic }),
      open: (drawer) => set({ drawer, storesAt: null }),
      openStores: (kind) => set({ drawer: 'stores', storesAt: kind }),
      setSearch: (search) => set({ search }),
      setDrawing: (drawing) => set({ drawing }),
      opened: (opened) => {
        ({ outbox } = opened);
        left = [...opened.left];
        // What was shown ahead is done below, one edit after the other.
        if (waiting.length > 0) set({ latest: get().design });
        if (opened.found) restore(opened.found);
        // From now on this browser can open the build with the server away.
        else void log({ type: 'state', version: BUILD_VERSION, ...workState() });
        analyst.wake();
        bringInLeft();
        const edits = waiting;
        waiting = [];
        for (const edit of edits) edit();
      },
      setKept: (kept) => set({ kept }),
      takeLeft: () => {
        void outbox?.takeLeft().then((found) => {
          left.push(...found);
          bringInLeft();
        });
      },
      settle: (theirs) => {
        const { conflict } = get();
        if (!conflict) return;
        const merged = mergeDesigns(conflict.base, get().latest, conflict.design);
        // Where the sides do not go together as a whole, mine stands alone.
        const mine = merged.loose.length > 0 ? get().latest : merged.design;
        const chosen = merged.clashes.filter((clash) => theirs.has(clashKey(clash)));
        goOn(chosen.reduce(withTheirs, mine), conflict);
      },
      takeTheirs: () => {
        const { conflict } = get();
        if (conflict) goOn(conflict.design, conflict);
      },
      replaceWith: (label, next) =>
        whenOpen(() => {
          const step = replace(label, next);
          log({ type: 'step', step, joins: false });
          saver.edited(null);
        }),
      putBack: async () => {
        if (await takeFromBin(id)) saver.soon();
        else set({ diagnostic: msg`The build could not be put back. Keep it as a file.` });
      },
      isBack: () => {
        if (['offline', 'hung'].includes(get().save)) saver.soon();
      },
      pageCloses: () => saver.pageCloses(),
      close: () => {
        saver.pageCloses();
        saver.stop();
        analyst.close();
        outbox?.close();
        outbox = null;
      },
    };
  });
}

/** One document into another, and back: by the keys that differ. */
function replacing(before: Design, after: Design): Pick<Step, 'back' | 'forth'> {
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])] as (keyof Design)[];
  const changed = keys.filter((key) => before[key] !== after[key]);
  const into = (from: Design, to: Design): PatchEdit => ({
    do: 'patch',
    patches: changed.map((key) => {
      if (to[key] === undefined) return { op: 'remove' as const, path: [key] };
      return {
        op: from[key] === undefined ? ('add' as const) : ('replace' as const),
        path: [key],
        value: to[key],
      };
    }),
  });
  return { back: into(after, before), forth: into(before, after) };
}

const EVERY_PART: readonly (keyof Versions)[] = ['space', 'fans', 'pumps', 'rest', 'log'];

const raise = (versions: Versions, parts: readonly (keyof Versions)[]): Versions => ({
  ...versions,
  ...Object.fromEntries(parts.map((part) => [part, versions[part] + 1])),
});

/** What of the design differs between two of its states. */
function partsTouched(before: Design, after: Design): readonly (keyof Versions)[] {
  const touched = new Set<keyof Versions>();
  if (!isSameSpace(before, after)) touched.add('space');
  const { work: workBefore, ...choicesBefore } = before.choices;
  const { work: workAfter, ...choicesAfter } = after.choices;
  if (
    before.brief !== after.brief ||
    !isDeepEqual(choicesBefore, choicesAfter) ||
    workBefore?.measured !== workAfter?.measured
  )
    touched.add('rest');
  if (workBefore?.readings !== workAfter?.readings) touched.add('log');
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

let steps = 0;
/** Numbers for the steps of this page, so that routing finds the step it belongs to. */
const nextStep = (): number => Date.now() * 1000 + (steps++ % 1000);
