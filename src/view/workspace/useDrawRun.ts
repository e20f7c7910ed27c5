'use client';
import { componentName, findComponent, samePort, type PortRef } from '@/core/design';
import { drawRun, putIntoRun, runAt } from '@/core/loops';
import { isWet, type InlinePart } from '@/core/components';
import { msg } from '@/core/messages';
import type { Drawing } from './editor';
import { useEditor, useEditorNow } from './EditorProvider';

const EMPTY: Drawing = { from: null, to: null, why: null };

/** Drawing a run from port to port: in the drawings, in the loop diagram, or by name. */
export function useDrawRun() {
  const editorNow = useEditorNow();
  const drawing = useEditor((s) => s.drawing);
  const setDrawing = useEditor((s) => s.setDrawing);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const nameOf = (ref: PortRef): string => componentName(editorNow().latest, ref.component);

  const set = (ends: Partial<Pick<Drawing, 'from' | 'to'>>): void =>
    setDrawing({ ...(drawing ?? EMPTY), ...ends, why: null });
  const draw = (from: PortRef, to: PortRef): void => {
    const drawn = drawRun(editorNow().latest, from, to);
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
    if (!drawing) return;
    if (drawing.from === null) set({ from: ref });
    else if (samePort(drawing.from, ref)) set({ from: null });
    else draw(drawing.from, ref);
  };
  /** A part that is clicked stands for its first port that no run holds. */
  const takePart = (component: string): void => {
    const design = editorNow().latest;
    const part = findComponent(design, component)?.part;
    if (!part || !isWet(part)) return;
    const unwanted = drawing?.from === null ? 'in' : 'out';
    const free = part.ports.filter((p) => !runAt(design, { component, port: p.id }));
    const port = free.find((p) => p.role !== unwanted && p.duty === undefined) ?? free[0];
    if (port) take({ component, port: port.id });
    else
      setDrawing({
        ...(drawing ?? EMPTY),
        why: msg`${componentName(design, component)} has no free port.`,
      });
  };
  /** A tee into the run that holds a port; the run being drawn goes on from its side. */
  const teeInto = (ref: PortRef, tee: InlinePart): void => {
    const design = editorNow().latest;
    const held = runAt(design, ref);
    const put = held && putIntoRun(design, held.loop.id, held.connection.id, tee, msg`Tee`);
    const [side] = put?.free ?? [];
    if (!put || !side) {
      setDrawing({ ...(drawing ?? EMPTY), why: msg`That run has no tube to put a tee into.` });
      return;
    }
    commit(msg`put a tee at ${nameOf(ref)}`, put.edit);
    const other = drawing?.from && samePort(drawing.from, ref) ? drawing.to : drawing?.from;
    setDrawing({ from: other ?? side, to: other ? side : null, why: null });
  };
  return {
    drawing,
    start: () => setDrawing(EMPTY),
    stop: () => setDrawing(null),
    set,
    draw,
    take,
    takePart,
    teeInto,
  };
}
