import type { Flat } from '@/core/elevation';

export interface Wanted {
  readonly id: string;
  readonly name: string;
  readonly flat: Flat;
  /** Whether it gets a name; the others only cover. */
  readonly named: boolean;
}
export interface Label {
  readonly id: string;
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly turned: boolean;
}

const CHARACTER = 6.1,
  LINE = 15;

interface Room {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
}

/**
 * Names for the largest solid of each component, front ones first, none over another. Each is tried
 * in the middle, then near the top and the bottom of its solid, across and upright, and only where
 * nothing in front covers it; one that fits nowhere is left out (the tables name it). `wanted` is
 * front to back. `k` is millimetres a screen pixel.
 */
export function placeLabels(wanted: readonly Wanted[], k: number): readonly Label[] {
  const taken: Room[] = [];
  const done = new Set<string>();
  const labels: Label[] = [];
  const free = (r: Room): boolean =>
    taken.every((t) => r.x1 < t.x0 || r.x0 > t.x1 || r.y1 < t.y0 || r.y0 > t.y1);
  for (const w of wanted) {
    if (done.has(w.id) || !w.named) continue;
    const largest = wanted
      .filter((o) => o.id === w.id)
      .reduce((a, b) => (b.flat.w * b.flat.h > a.flat.w * a.flat.h ? b : a));
    done.add(w.id);
    const front = wanted.slice(0, wanted.indexOf(largest)).filter((o) => o.id !== w.id);
    const seen = (r: Room): boolean =>
      front.every(
        ({ flat: f }) => r.x1 < f.x || r.x0 > f.x + f.w || r.y1 < f.y || r.y0 > f.y + f.h,
      );
    const { flat, name } = largest;
    const length = name.length * CHARACTER * k,
      line = LINE * k;
    const cx = flat.x + flat.w / 2,
      cy = flat.y + flat.h / 2;
    const across = flat.w >= length && flat.h >= line * 0.8,
      upright = flat.h >= length && flat.w >= line * 0.8;
    const tries: { x: number; y: number; turned: boolean }[] = [
      ...(across
        ? [
            { x: cx, y: cy, turned: false },
            { x: cx, y: flat.y + line * 0.7, turned: false },
            { x: cx, y: flat.y + flat.h - line * 0.7, turned: false },
            { x: flat.x + length / 2 + 3 * k, y: flat.y + flat.h - line * 0.7, turned: false },
          ]
        : []),
      ...(upright
        ? [
            { x: cx, y: cy, turned: true },
            { x: flat.x + line * 0.7, y: cy, turned: true },
          ]
        : []),
    ];
    for (const t of tries) {
      const [hw, hh] = t.turned ? [line / 2, length / 2] : [length / 2, line / 2];
      const room = { x0: t.x - hw, y0: t.y - hh, x1: t.x + hw, y1: t.y + hh };
      if (!free(room) || !seen(room)) continue;
      taken.push(room);
      labels.push({ id: w.id, text: name, ...t });
      break;
    }
  }
  return labels;
}
