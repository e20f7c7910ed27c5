import { createSession, tellChanges, type OpenAnalysis, type Session } from '@/core/analysis';
import type { Component, Design, Edit } from '@/core/design';
import { scale } from '@/core/geometry';
import { movedBy } from '@/core/system';

/** Edits worked out before the thread counts as ready. */
const ROUNDS = 48;

/** A rehearsed speed differs from the builder's by this share of what there is. */
const STEP = 0.05;

type Piece = (isThere: boolean) => Edit;

/**
 * The first edits of a page are the slowest, for the code that works them out has not run before.
 * It is rehearsed on a copy of the design while nothing is asked: fans, a pump and a part moved
 * there and back.
 */
export class Rehearsal {
  private readonly session: Session;
  private readonly pieces: readonly Piece[];
  private last: OpenAnalysis | null = null;
  private done = 0;

  constructor(design: Design) {
    this.session = createSession(design);
    this.pieces = piecesOf(design);
  }

  get isOver(): boolean {
    return this.pieces.length === 0 || this.done >= ROUNDS;
  }

  /** One edit, worked out and told. */
  round(): void {
    const { pieces, session, done } = this;
    const piece = pieces[done % pieces.length];
    const isThere = Math.floor(done / pieces.length) % 2 === 0;
    this.done += 1;
    const edit = piece?.(isThere);
    if (!edit) return;
    session.apply(edit);
    const now = session.analysis();
    if (this.last) tellChanges(now, this.last);
    this.last = now;
  }
}

/** What can be rehearsed of a design: each an edit there, and the one back. */
export const piecesOf = (design: Design): readonly Piece[] =>
  [fansOf(design), pumpOf(design), placeOf(design)].filter((piece) => piece !== null);

/** All fans at a speed beside the first one's, and at that. */
function fansOf({ components }: Design): Piece | null {
  const speeds = components.flatMap(speedsOf('fan'))[0];
  if (!speeds) return null;
  return (isThere) => ({ do: 'fans.speed', speed_rpm: isThere ? speeds.beside : speeds.own });
}

/** The first pump at a speed beside its own, and back. */
function pumpOf({ components }: Design): Piece | null {
  const speeds = components.flatMap(speedsOf('pump'))[0];
  if (!speeds) return null;
  return (isThere) => ({
    do: 'component.set',
    component: speeds.of,
    values: { speed_rpm: isThere ? speeds.beside : speeds.own },
  });
}

/** The speed that a fan or pump is set to, and one that it can have beside it. */
const speedsOf =
  (kind: 'fan' | 'pump') =>
  ({ id, part, settings }: Component) => {
    if (part.kind !== kind) return [];
    const { minSpeed_rpm: least, fullSpeed_rpm: most } = part;
    const own = settings.speed_rpm ?? most,
      step = STEP * (most - least);
    return [{ of: id, own, beside: own - step >= least ? own - step : own + step }];
  };

/** The first radiator on a mount a step along it, and back. */
function placeOf(design: Design): Piece | null {
  for (const { id, part, placement: home } of design.components) {
    if (part.kind !== 'radiator' || home.on !== 'mount') continue;
    const mount = design.case?.mounts.find((m) => m.id === home.mount);
    const away = mount && movedBy(design, id, scale(mount.along, home.slide_mm > 0 ? -1 : 1));
    if (!away) continue;
    return (isThere) => ({
      do: 'component.place',
      component: id,
      placement: isThere ? away : home,
    });
  }
  return null;
}
