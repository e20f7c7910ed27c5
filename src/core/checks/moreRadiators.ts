import {
  applyEdit,
  freeId,
  type Component,
  type Design,
  type Edit,
  type Placement,
} from '../design';
import { insertStation } from '../loops';
import type { FanPart, Part, RadiatorPart } from '../components';
import { msg } from '../messages';
import { defaultPlacements } from './places';

/** One more radiator, really placed: on a free mount, with fans, let into a loop. */
export interface MoreRadiator {
  readonly part: RadiatorPart;
  readonly mount: string;
  readonly mountName: string;
  readonly air: 'in' | 'out';
  readonly edit: Edit;
}

/** Tried on each free mount, largest first. */
const MOST_PER_MOUNT = 2;

type OnMount = Extract<Placement, { readonly on: 'mount' }>;

/**
 * Radiators on offer that hang on mounts still free, with fans like those there are, let into the
 * first loop where it needs least tube; the way the air usually goes on that mount, or `air`.
 */
export function moreRadiators(
  design: Design,
  offer: readonly Part[],
  air: 'usual' | 'other' = 'usual',
): readonly MoreRadiator[] {
  const like = likeness(design);
  const [loop] = design.loops;
  if (!like || !loop) return [];
  const tried = new Map<string, number>();
  return suiting(offer, like).flatMap((part) =>
    defaultPlacements(design, { id: '', part }).flatMap(({ placement }): MoreRadiator[] => {
      if (placement.on !== 'mount') return [];
      const count = tried.get(placement.mount) ?? 0;
      if (count >= MOST_PER_MOUNT) return [];
      const asked: OnMount =
        air === 'usual' ? placement : { ...placement, air: placement.air === 'in' ? 'out' : 'in' };
      const edit = placed(design, loop.id, part, asked, like);
      if (!edit) return [];
      tried.set(placement.mount, count + 1);
      const mountName =
        design.case?.mounts.find((m) => m.id === placement.mount)?.name ?? placement.mount;
      return [{ part, mount: placement.mount, mountName, air: asked.air, edit }];
    }),
  );
}

/** A radiator of the loops and a row of its fans, to take more of the same kind. */
interface Likeness {
  readonly radiator: RadiatorPart;
  readonly fan: FanPart;
  readonly settings: Component['settings'];
}

function likeness({ components, loops }: Design): Likeness | null {
  const wet = new Set(
    loops.flatMap((l) => l.connections.flatMap((k) => [k.from.component, k.to.component])),
  );
  for (const { id, part } of components) {
    if (part.kind !== 'radiator' || !wet.has(id)) continue;
    for (const row of components)
      if (
        row.part.kind === 'fan' &&
        row.placement.on === 'radiator' &&
        row.placement.component === id
      )
        return { radiator: part, fan: row.part, settings: row.settings };
  }
  return null;
}

/** Of the same section and metal, most sections first, then nearest in depth. */
const suiting = (offer: readonly Part[], { radiator, fan }: Likeness): readonly RadiatorPart[] =>
  offer
    .filter(
      (p): p is RadiatorPart =>
        p.kind === 'radiator' &&
        p.section_mm === fan.section_mm &&
        p.core.finMetal === radiator.core.finMetal,
    )
    .sort(
      (a, b) =>
        b.sections - a.sections ||
        Math.abs(a.size[2] - radiator.size[2]) - Math.abs(b.size[2] - radiator.size[2]),
    );

/** The edit that hangs it, puts fans on its inner face and lets it into the loop. */
function placed(
  design: Design,
  loop: string,
  part: RadiatorPart,
  placement: OnMount,
  { fan, settings }: Likeness,
): Edit | null {
  const ids = design.components.map((c) => c.id);
  const id = freeId(ids, 'radiator'),
    fans = freeId([...ids, id], 'fan');
  const name =
    design.case?.mounts.find((m) => m.id === placement.mount)?.name.toLowerCase() ??
    placement.mount;
  const added: Edit[] = [
    {
      do: 'component.add',
      component: { id, name: msg`Radiator, ${name}`, part, placement, settings: {} },
    },
    {
      do: 'component.add',
      component: {
        id: fans,
        name: msg`Fans, ${name}`,
        part: fan,
        placement: { on: 'radiator', component: id, face: 'interior' },
        settings: settings.speed_rpm === undefined ? {} : { speed_rpm: settings.speed_rpm },
      },
    },
  ];
  const into = insertStation(
    added.reduce((now, e) => applyEdit(now, e).design, design),
    loop,
    id,
  );
  return into && { do: 'batch', edits: [...added, into] };
}
