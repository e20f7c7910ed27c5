import { CATALOGUE, DEMO_BUILDS } from '@/catalogue';
import { applyEdit, EditError, withoutRoutes, type Design, type Edit } from '@/core/design';
import { defaultPlacements } from '@/core/checks';
import { randomBy } from '@/core/units';

/** A build with the name it is pinned under. */
export interface Variant {
  readonly id: string;
  readonly design: Design;
}

const SEED = 41;
const CHANGES = 6;

/**
 * Builds whose figures are pinned: the demos as routed, with runs estimated, and each changed at
 * random from a seed, so that parts clash, lose their place, and are unlike each other.
 */
export function variants(each: number): readonly Variant[] {
  const random = randomBy(SEED);
  return DEMO_BUILDS.flatMap(({ design }) => [
    { id: `${design.name}, routed`, design },
    { id: `${design.name}, estimated`, design: withoutRoutes(design) },
    ...byHand(design),
    ...Array.from({ length: each }, (_, i) => ({
      id: `${design.name}, changed ${i + 1}`,
      design: withoutRoutes(changed(design, random)),
    })),
  ]);
}

/** Builds that chance seldom makes. */
function byHand(design: Design): readonly Variant[] {
  const named = (id: string, made: Design): Variant => ({
    id: `${design.name}, ${id}`,
    design: withoutRoutes(made),
  });
  const elsewhere = (ids: readonly string[], on: 'free' | 'unplaced'): Design =>
    ids.reduce<Design>(
      (now, component, i) =>
        applyEdit(now, {
          do: 'component.place',
          component,
          placement:
            on === 'free' ? { on, at: [40 + 90 * i, 0, 50], turn: i % 2 ? 90 : 0 } : { on },
        } as Edit).design,
      design,
    );
  const idsOf = (...kinds: readonly string[]): readonly string[] =>
    design.components.filter((c) => kinds.includes(c.part.kind)).map((c) => c.id);
  const wished = design.loops.reduce<Design>(
    (now, loop) => ({
      ...now,
      loops: now.loops.map((l) =>
        l.id === loop.id
          ? {
              ...l,
              connections: l.connections.map((c, i) => ({
                ...c,
                ends:
                  i % 2
                    ? ({ from: 'rotary90', to: 'extender' } as const)
                    : ({ from: 'rotary45', to: 'rotary90' } as const),
              })),
            }
          : l,
      ),
    }),
    elsewhere(idsOf('radiator'), 'unplaced'),
  );
  const bridge = CATALOGUE.find((p) => p.kind === 'fitting' && p.duty === 'bridge');
  return [
    named('without a case', { ...design, case: null }),
    named('pumps on the floor', elsewhere(idsOf('pump', 'reservoir'), 'free')),
    named('radiators beside it', wished),
    named('bridged', {
      ...design,
      loops: design.loops.map((loop) => ({
        ...loop,
        connections: loop.connections.map((c, i) =>
          i === 1 && bridge?.kind === 'fitting'
            ? { ...c, by: 'direct' as const, bridge: bridge as never }
            : c,
        ),
      })),
    }),
    named('with long screws only', {
      ...design,
      kit: { ...design.kit, screws: design.kit.screws.filter((s) => s.length_mm >= 35) },
    }),
    ...CATALOGUE.flatMap((p) =>
      p.kind === 'case' && p.id !== design.case?.id
        ? [named(`in ${p.name}`, { ...design, case: p })]
        : [],
    ).slice(0, MOST_CASES),
  ];
}
const MOST_CASES = 4;

/** Some changes in turn; those that do not apply are left out. */
function changed(design: Design, random: () => number): Design {
  let now = design;
  for (let i = 0; i < CHANGES; i += 1)
    try {
      now = applyEdit(now, anEdit(now, random)).design;
    } catch (error) {
      if (!(error instanceof EditError)) throw error;
    }
  return now;
}

function anEdit(design: Design, random: () => number): Edit {
  const oneOf = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const component = oneOf(design.components),
    loop = oneOf(design.loops);
  const ofKind = CATALOGUE.filter((p) => p.kind === component.part.kind);
  const connection = oneOf(loop.connections);
  const places = defaultPlacements(design, component).map((p) => p.placement);
  switch (Math.floor(random() * 8)) {
    case 0:
      return { do: 'component.replace', component: component.id, part: oneOf(ofKind) as never };
    case 1:
      return {
        do: 'component.place',
        component: component.id,
        placement: oneOf([...places, { on: 'unplaced' as const }]),
      };
    case 2:
      return { do: 'fans.speed', speed_rpm: 500 + Math.round(1200 * random()) };
    case 3:
      return {
        do: 'component.set',
        component: component.id,
        values: { clogged: Math.round(10 * random()) / 20 },
      };
    case 4: {
      const tube = oneOf(CATALOGUE.flatMap((p) => (p.kind === 'tube' ? [p] : [])));
      const fitting = oneOf(
        CATALOGUE.flatMap((p) =>
          p.kind === 'fitting' &&
          (tube.hard ? p.duty === 'hard-tube' : p.duty === 'compression') &&
          p.tube?.outer_mm === tube.outer_mm
            ? [p]
            : [],
        ),
      );
      return { do: 'loop.tube', loop: loop.id, tube, fitting: fitting ?? loop.fitting };
    }
    case 5:
      return {
        do: 'connection.ends',
        loop: loop.id,
        connection: connection.id,
        ends: {
          from: oneOf(['auto', 'straight', 'rotary45', 'rotary90', 'extender'] as const),
          to: oneOf(['auto', 'straight', 'rotary45', 'rotary90', 'extender'] as const),
        },
      };
    case 6:
      return {
        do: 'component.replace',
        component: oneOf(
          design.components.filter((c) => c.part.kind === 'radiator' || c.part.kind === 'pump'),
        ).id,
        part: component.part as never,
      };
    default:
      return { do: 'brief.set', values: { room_C: 15 + Math.round(20 * random()) } };
  }
}

const DIGITS = 7;

/** Figures to so many digits, so that rounding at the last bit is no change. */
export function rounded(value: unknown): unknown {
  if (typeof value === 'number')
    return Number.isFinite(value) ? Number(value.toPrecision(DIGITS)) + 0 : String(value);
  if (Array.isArray(value)) return value.map(rounded);
  if (value instanceof Map) return rounded([...value]);
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(
      Object.entries(value).flatMap(([k, v]) => (v === undefined ? [] : [[k, rounded(v)]])),
    );
  return value ?? null;
}
