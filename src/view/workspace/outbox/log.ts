import { applyEdit, BUILD_VERSION, migrate, type Design, type PatchEdit } from '@/core/design';

/** A step of work: how it is taken back, and how it is done again. */
export interface Step {
  /** Number of the step, unique in its build. */
  readonly id: number;
  readonly label: string;
  readonly back: PatchEdit;
  readonly forth: PatchEdit;
}

/** What a window's log amounts to. */
export interface WorkState {
  readonly design: Design;
  /** Revision on the server that `base` has. */
  readonly revision: number;
  /** The document the server held when it was last heard; null where that is not known. */
  readonly base: Design | null;
  /** Put to the server and not yet answered. */
  readonly unheard: Design | null;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
}

/**
 * One line of a window's log. A state starts the log, or lets reading begin there; without past and
 * future it leaves the steps as they stand.
 */
export type LogRecord =
  | ({ readonly type: 'state'; readonly version: number } & Omit<WorkState, 'past' | 'future'> &
      Partial<Pick<WorkState, 'past' | 'future'>>)
  /** An edit; `joins` takes it into the step before (a dragged handle). */
  | { readonly type: 'step'; readonly step: Step; readonly joins: boolean }
  /** What routing changed, as part of an earlier step. */
  | {
      readonly type: 'laid-out';
      readonly step: number;
      readonly back: PatchEdit;
      readonly forth: PatchEdit;
    }
  | { readonly type: 'undo' }
  | { readonly type: 'redo' }
  /** The document as it is now was put to the server. */
  | { readonly type: 'sent' }
  /** The server holds what was sent last. */
  | { readonly type: 'acknowledged'; readonly revision: number }
  /** Another's changes came in: as a step, on their revision. */
  | {
      readonly type: 'merged';
      readonly step: Step;
      readonly revision: number;
      readonly base: Design;
    };

const patches = (...edits: readonly PatchEdit[]): PatchEdit => ({
  do: 'patch',
  patches: edits.flatMap((e) => e.patches),
});

/** Two steps as one. */
export const joined = (first: Step, then: Pick<Step, 'label' | 'back' | 'forth'>): Step => ({
  id: first.id,
  label: then.label,
  back: patches(then.back, first.back),
  forth: patches(first.forth, then.forth),
});

/** The steps with what routing changed taken into one of them. */
export const withLaidOut = (
  past: readonly Step[],
  { step, back, forth }: { readonly step: number } & Pick<Step, 'back' | 'forth'>,
): readonly Step[] =>
  past.map((s) => (s.id === step ? joined(s, { label: s.label, back, forth }) : s));

/** Steps after an edit. */
export const stepped = (past: readonly Step[], step: Step, joins: boolean): readonly Step[] => {
  const last = past.at(-1);
  return joins && last ? [...past.slice(0, -1), joined(last, step)] : [...past, step];
};

/**
 * What a log amounts to; null for one without a state to begin at. The document is worked out from
 * the last state on; the steps from the first. An older document is brought to this version, and
 * its steps, which are of another shape, go.
 */
export function readLog(records: readonly LogRecord[]): WorkState | null {
  const begin = records.findLastIndex((r) => r.type === 'state');
  const reading = new Reading();
  records.forEach((record, i) => reading.take(record, i >= begin));
  return begin < 0 ? null : present(reading.state(), reading.version);
}

class Reading {
  version: number = BUILD_VERSION;
  private past: Step[] = [];
  private future: Step[] = [];
  private now: Omit<WorkState, 'past' | 'future'> | null = null;

  take(record: LogRecord, reads: boolean): void {
    this.takeSteps(record);
    if (reads) this.takeDocument(record);
  }

  state(): WorkState {
    if (!this.now) throw new Error('a log without a state');
    return { ...this.now, past: this.past, future: this.future };
  }

  private takeSteps(record: LogRecord): void {
    switch (record.type) {
      case 'state':
        if (record.past) this.past = [...record.past];
        if (record.future) this.future = [...record.future];
        return;
      case 'step':
        this.past.push(...stepped(this.past.splice(-1), record.step, record.joins));
        this.future = [];
        return;
      case 'merged':
        this.past.push(record.step);
        this.future = [];
        return;
      case 'laid-out':
        this.past = [...withLaidOut(this.past, record)];
        return;
      case 'undo':
        this.turn(this.past, this.future);
        return;
      case 'redo':
        this.turn(this.future, this.past);
        return;
      default:
    }
  }

  private turn(from: Step[], to: Step[]): void {
    const step = from.pop();
    if (step) to.push(step);
  }

  private takeDocument(record: LogRecord): void {
    if (record.type === 'state') {
      const { design, revision, base, unheard } = record;
      this.version = record.version;
      this.now = { design, revision, base, unheard };
      return;
    }
    if (!this.now) return;
    const { design } = this.now;
    switch (record.type) {
      case 'step':
        this.become(record.step.forth);
        return;
      case 'laid-out':
        this.become(record.forth);
        return;
      case 'undo':
        this.become(this.future.at(-1)?.back);
        return;
      case 'redo':
        this.become(this.past.at(-1)?.forth);
        return;
      case 'sent':
        this.now = { ...this.now, unheard: design };
        return;
      case 'acknowledged': {
        const base = this.now.unheard ?? design;
        this.now = { ...this.now, revision: record.revision, base, unheard: null };
        return;
      }
      case 'merged':
        this.become(record.step.forth);
        this.now = {
          ...this.now,
          revision: record.revision,
          base: record.base,
          unheard: null,
        };
        return;
      default:
    }
  }

  private become(edit: PatchEdit | undefined): void {
    if (edit && this.now)
      this.now = { ...this.now, design: applyEdit(this.now.design, edit).design };
  }
}

function present(state: WorkState, version: number): WorkState {
  if (version === BUILD_VERSION) return state;
  const now = (document: Design | null): Design | null =>
    document && (migrate(document as unknown as Record<string, unknown>) as unknown as Design);
  return {
    design: now(state.design) as Design,
    revision: state.revision,
    base: now(state.base),
    unheard: now(state.unheard),
    past: [],
    future: [],
  };
}
