/**
 * What an edit costs over a session, on the largest demo with every run routed: medians, with the
 * figures of before beside.
 */
import { CATALOGUE, demoDesign } from '../src/catalogue';
import { createSession, evaluate, analyse } from '../src/core/analysis';
import { applyEdit, type Design, type Edit, findComponent } from '../src/core/design';
import { rerouteEdit } from '../src/core/routing';

const tower = demoDesign('fenland-flood-tower') as Design;
const ROUNDS = 60;
const WARM = 20;

interface Line {
  readonly name: string;
  readonly limit_ms: number;
  /**
   * Median on a like machine before the layout was part of the document; null where nothing of the
   * sort was there.
   */
  readonly before_ms: number | null;
  readonly took_ms: readonly number[];
}

const median = (list: readonly number[]): number =>
  [...list].sort((a, b) => a - b)[list.length >> 1] ?? NaN;

/**
 * Times one thing over rounds, each made ready before the clock starts; the first ones are not
 * counted.
 */
function timed<T>(ready: (round: number) => T, work: (thing: T) => void): readonly number[] {
  const took: number[] = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    const thing = ready(round);
    const began = performance.now();
    work(thing);
    if (round >= WARM) took.push(performance.now() - began);
  }
  return took;
}

function overSession(edit: (round: number) => Edit): readonly number[] {
  const session = createSession(tower, CATALOGUE);
  session.analysis();
  return timed(edit, (e) => {
    session.apply(e);
    session.analysis();
  });
}

const slide = (design: Design, slide_mm: number): Edit => {
  const radiator = findComponent(design, 'top-radiator');
  if (radiator?.placement.on !== 'mount') throw new Error('the demo lost its radiator');
  return {
    do: 'component.place',
    component: 'top-radiator',
    placement: { ...radiator.placement, slide_mm },
  };
};

export function sessionBench(): void {
  const copies = Array.from({ length: ROUNDS }, () => structuredClone(tower));
  const lines: readonly Line[] = [
    {
      name: 'fan speed',
      limit_ms: 5,
      before_ms: 28,
      took_ms: overSession((i) => ({ do: 'fans.speed', speed_rpm: 900 + i })),
    },
    {
      name: 'pump speed',
      limit_ms: 5,
      before_ms: 28,
      took_ms: overSession((i) => ({
        do: 'component.set',
        component: 'pump-1',
        values: { speed_rpm: 3000 + 10 * i },
      })),
    },
    {
      name: 'name of the build',
      limit_ms: 5,
      before_ms: 28,
      took_ms: overSession((i) => ({ do: 'design.rename', name: `Tower ${i}` })),
    },
    {
      name: 'name of a part',
      limit_ms: 5,
      before_ms: 28,
      took_ms: overSession((i) => ({
        do: 'component.rename',
        component: 'pump-1',
        name: `Pump ${i}`,
      })),
    },
    {
      name: 'radiator slid: placed, clearances, flow, heat, list, findings',
      limit_ms: 16,
      before_ms: 33,
      took_ms: overSession((i) => slide(tower, i % 40)),
    },
    {
      name: 'whole analysis from nothing',
      limit_ms: 25,
      before_ms: 31,
      took_ms: timed(
        (i) => copies[i] as Design,
        (copy) => void analyse(copy, { offer: CATALOGUE }),
      ),
    },
  ];
  print('an edit worked out, largest demo with every run routed', lines);
  const slow: readonly Line[] = [
    {
      name: 'warm re-route after a slide',
      limit_ms: 400,
      before_ms: 4800,
      took_ms: [3, 6, 9, 12, 15].map((mm) => {
        const moved = applyEdit(tower, slide(tower, mm)).design;
        const began = performance.now();
        rerouteEdit(moved);
        return performance.now() - began;
      }),
    },
    {
      name: 'evaluation with every fix tried (terminal)',
      limit_ms: Infinity,
      before_ms: null,
      took_ms: [0, 1, 2].map(() => {
        const began = performance.now();
        evaluate(structuredClone(tower), { offer: CATALOGUE, fixes: true });
        return performance.now() - began;
      }),
    },
  ];
  print('what runs beside', slow);
}

function print(title: string, lines: readonly Line[]): void {
  console.log(
    `\n${title.padEnd(66)}${'median'.padStart(11)}${'limit'.padStart(11)}${'before'.padStart(11)}`,
  );
  const ms = (v: number | null): string =>
    v === null || v === Infinity ? '–' : `${v.toFixed(1)} ms`;
  for (const { name, took_ms, limit_ms, before_ms } of lines)
    console.log(
      `${name.padEnd(66)}${ms(median(took_ms)).padStart(11)}${ms(limit_ms).padStart(11)}${ms(before_ms).padStart(11)}`,
    );
}
