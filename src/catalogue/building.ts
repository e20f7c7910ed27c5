import {
  applyEdit,
  emptyDesign,
  type Brief,
  type Component,
  type Connection,
  type Design,
  type Edit,
  type Loop,
  type Placement,
  type PortRef,
  type Settings,
} from '@/core/design';
import { proposeLoop } from '@/core/loops';
import type {
  CasePart,
  ComponentPart,
  CoolantPart,
  FittingPart,
  TubePart,
} from '@/core/components';
import { BLOCKS } from './blocks';
import { CASES } from './cases';
import { DEVICES } from './devices';
import { FANS } from './fans';
import { BOARDS, CARDS, MEMORIES, PROCESSORS, SUPPLIES } from './hardware';
import { INLINE } from './inline';
import { STANDARD_KIT } from './kit';
import { COOLANTS, FITTINGS, TUBES } from './plumbing';
import { PUMPS, RESERVOIRS } from './pumps';
import { RADIATORS } from './radiators';

const PARTS: readonly ComponentPart[] = [
  ...BLOCKS,
  ...DEVICES,
  ...FANS,
  ...BOARDS,
  ...CARDS,
  ...MEMORIES,
  ...PROCESSORS,
  ...SUPPLIES,
  ...PUMPS,
  ...RESERVOIRS,
  ...RADIATORS,
  ...INLINE,
];

export function named<T extends { readonly id: string }>(list: readonly T[], id: string): T {
  const found = list.find((p) => p.id === id);
  if (!found) throw new RangeError(`no part "${id}" for a build`);
  return found;
}

export const component = (
  id: string,
  part: string,
  placement: Placement,
  settings: Settings = {},
  name?: string,
): Component => {
  const p = named(PARTS, part);
  return { id, name: name ?? p.name, part: p, placement, settings };
};

export const OWNED: Settings = { owned: true };
export const apply = (design: Design, edit: Edit | null): Design =>
  edit ? applyEdit(design, edit).design : design;

export function start(
  name: string,
  brief: Partial<Omit<Brief, 'limits'>>,
  limits: Partial<Brief['limits']>,
  box: string,
  components: readonly Component[],
): Design {
  const empty = emptyDesign(name, STANDARD_KIT);
  const withBrief: Design = {
    ...empty,
    brief: { ...empty.brief, ...brief, limits: { ...empty.brief.limits, ...limits } },
  };
  const cased = apply(withBrief, { do: 'case.choose', case: named<CasePart>(CASES, box) });
  return components.reduce((b, i) => apply(b, { do: 'component.add', component: i }), cased);
}

interface Plumb {
  readonly name: string;
  readonly tube: string;
  readonly fitting: string;
  readonly coolant: string;
  readonly components?: readonly string[];
  /** Sliding bridges where ports face each other. */
  readonly bridged?: true;
}

const BRIDGES = FITTINGS.filter((f) => f.duty === 'bridge');
export const plumb = (design: Design, p: Plumb): Design =>
  apply(
    design,
    proposeLoop(design, {
      name: p.name,
      tube: named<TubePart>(TUBES, p.tube),
      fitting: named<FittingPart>(FITTINGS, p.fitting),
      coolant: named<CoolantPart>(COOLANTS, p.coolant),
      ...(p.components ? { components: p.components } : {}),
      ...(p.bridged ? { bridges: BRIDGES } : {}),
    }),
  );

/** A run of tube from port to port, each written `component/port`. */
export const tube = (id: string, from: string, to: string): Connection => ({
  id,
  from: portRef(from),
  to: portRef(to),
  by: 'tube',
  ends: { from: 'auto', to: 'auto' },
});
/** Two ports screwed together by a bridge. */
export const joint = (id: string, from: string, to: string, bridge: string): Connection => ({
  ...tube(id, from, to),
  by: 'direct',
  bridge: named<FittingPart>(FITTINGS, bridge),
});
const portRef = (path: string): PortRef => {
  const [component = '', port = ''] = path.split('/');
  return { component, port };
};

/** A loop's connections as they are told, with plugs in the ports let go and none in those taken. */
export function connected(loop: Loop, connections: readonly Connection[]): Edit {
  const refs = (list: readonly Connection[]): readonly PortRef[] =>
    list.flatMap((c) => [c.from, c.to]);
  const among = (list: readonly PortRef[], r: PortRef): boolean =>
    list.some((x) => x.component === r.component && x.port === r.port);
  const was = refs(loop.connections),
    now = refs(connections);
  return {
    do: 'batch',
    edits: [
      { do: 'loop.connections', loop: loop.id, connections },
      ...now
        .filter((r) => among(loop.caps, r))
        .map((port): Edit => ({ do: 'cap.set', loop: loop.id, port, with: null })),
      ...was
        .filter((r) => !among(now, r))
        .map((port): Edit => ({ do: 'cap.set', loop: loop.id, port, with: 'plug' })),
    ],
  };
}
