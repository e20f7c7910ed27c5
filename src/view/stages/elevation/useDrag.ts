'use client';
import { useRef, type MouseEvent as Mouse, type PointerEvent as Pointer } from 'react';
import type { Design, Placement } from '@/core/design';
import { movedBy } from '@/core/system';
import { caseWay, type View } from '@/core/elevation';

type Hold = (component: string, placement: Placement | null) => void;

/** Pixels a pointer may tremble before a press becomes a drag. */
const TREMBLE_PX = 3;

/** The part or run that what is under the pointer was drawn for. */
export const drawnAt = ({ target }: Mouse): string | null =>
  (target as Element).closest('[data-component]')?.getAttribute('data-component') ?? null;

/**
 * Dragging parts on a sheet: along their rail, or over the plane the sheet shows. A press without a
 * drag picks.
 */
export function useDrag(
  view: View,
  design: Design,
  onHold: Hold | undefined,
  onPick: (id: string) => void,
) {
  const dragged = useRef(false);
  return {
    /** For the click that follows a drag: it picks nothing. */
    click: (e: Mouse<SVGGElement>): void => {
      const component = drawnAt(e);
      if (component !== null && !dragged.current) onPick(component);
      dragged.current = false;
    },
    press: (e: Pointer<SVGGElement>): void => {
      const component = drawnAt(e);
      const sheet = e.currentTarget.ownerSVGElement;
      const toSheet = sheet?.getScreenCTM()?.inverse();
      if (!onHold || component === null || e.button !== 0 || !toSheet) return;
      if (!movedBy(design, component, [0, 0, 0])) return;
      const [x0, y0] = [e.clientX, e.clientY];
      dragged.current = false;
      const move = (ev: PointerEvent): void => {
        if (!dragged.current && Math.hypot(ev.clientX - x0, ev.clientY - y0) < TREMBLE_PX) return;
        dragged.current = true;
        onHold(
          component,
          movedBy(
            design,
            component,
            caseWay(view, (ev.clientX - x0) * toSheet.a, (ev.clientY - y0) * toSheet.d),
          ),
        );
      };
      const up = (): void => {
        window.removeEventListener('pointermove', move);
        window.removeEventListener('pointerup', up);
        window.removeEventListener('pointercancel', up);
        if (dragged.current) onHold(component, null);
      };
      window.addEventListener('pointermove', move);
      window.addEventListener('pointerup', up);
      window.addEventListener('pointercancel', up);
    },
  };
}
