import { componentName, findComponent, samePort, type PortRef } from '@/core/design';
import { drawRun, putIntoRun, runAt } from '@/core/loops';
import { isWet, type InlinePart } from '@/core/components';
import { msg } from '@/core/messages';
import type { Drawing, EditorState } from './editor';

const EMPTY: Drawing = { from: null, to: null, why: null };

/** What may be done while a run is drawn from port to port. */
export function runDrawing(editorNow: () => EditorState) {
  const nameOf = (ref: PortRef): string => componentName(editorNow().latest, ref.component);
  const setDrawing = (drawing: Drawing | null): void => editorNow().setDrawing(drawing);
  const isNot = (why: string): void => setDrawing({ ...(editorNow().drawing ?? EMPTY), why });

  const set = (ends: Partial<Pick<Drawing, 'from' | 'to'>>): void =>
    setDrawing({ ...(editorNow().drawing ?? EMPTY), ...ends, why: null });
  const draw = (from: PortRef, to: PortRef): void => {
    const { latest, commit, pick } = editorNow();
    const drawn = drawRun(latest, from, to);
    if ('why' in drawn) {
      setDrawing({ from, to, why: drawn.why });
      return;
    }
    commit(msg`draw a run from ${nameOf(from)} to ${nameOf(to)}`, drawn.edit);
    setDrawing(null);
    pick(drawn.connection);
  };
  /** The next port that is clicked: the first is where the run leaves, the second ends it. */
  const take = (ref: PortRef): void => {
    const { drawing } = editorNow();
    if (!drawing) return;
    if (drawing.from === null) set({ from: ref });
    else if (samePort(drawing.from, ref)) set({ from: null });
    else draw(drawing.from, ref);
  };
  /** A part that is clicked stands for its first port that no run holds. */
  const takePart = (component: string): void => {
    const { latest: design, drawing } = editorNow();
    const part = findComponent(design, component)?.part;
    if (!part || !isWet(part)) return;
    const unwanted = drawing?.from === null ? 'in' : 'out';
    const free = part.ports.filter((p) => !runAt(design, { component, port: p.id }));
    const port = free.find((p) => p.role !== unwanted && p.duty === undefined) ?? free[0];
    if (port) take({ component, port: port.id });
    else isNot(msg`${componentName(design, component)} has no free port.`);
  };
  /** A tee into the run that holds a port; the run being drawn goes on from its side. */
  const teeInto = (ref: PortRef, tee: InlinePart): void => {
    const { latest: design, drawing, commit } = editorNow();
    const held = runAt(design, ref);
    const put = held && putIntoRun(design, held.loop.id, held.connection.id, tee, msg`Tee`);
    const [side] = put?.free ?? [];
    if (!put || !side) {
      isNot(msg`That run has no tube to put a tee into.`);
      return;
    }
    commit(msg`put a tee at ${nameOf(ref)}`, put.edit);
    const other = drawing?.from && samePort(drawing.from, ref) ? drawing.to : drawing?.from;
    setDrawing({ from: other ?? side, to: other ? side : null, why: null });
  };
  return {
    start: () => setDrawing(EMPTY),
    stop: () => setDrawing(null),
    set,
    draw,
    take,
    takePart,
    teeInto,
  };
}
