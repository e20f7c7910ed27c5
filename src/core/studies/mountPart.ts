import {
  applyEdit,
  freeId,
  type Design,
  type Edit,
  type Component,
  type Placement,
} from '../design';
import { insertStation } from '../loops';
import type { FanPart, Part, RadiatorPart } from '../components';
import { msg } from '../messages';
import type { FitSet } from './fitSets';
import type { FanFaces, FitChoice } from './ways';

/** Whether a part hangs on a mount, or on a radiator that does. */
export function hangsOn(design: Design, component: Component, mount: string): boolean {
  const p = component.placement;
  if (p.on === 'mount') return p.mount === mount;
  return (
    p.on === 'radiator' &&
    design.components.some(
      (r) => r.id === p.component && r.placement.on === 'mount' && r.placement.mount === mount,
    )
  );
}

/**
 * The edit that hangs a choice: the radiator there now is changed for it and its fans with it; else
 * it is new, and let into the first loop.
 */
export function hangEdit(design: Design, choice: FitChoice, offer: readonly Part[]): Edit {
  const parts = [...design.components.map((i) => i.part), ...offer];
  const radiator = parts.find(
      (p): p is RadiatorPart => p.kind === 'radiator' && p.id === choice.radiator,
    ),
    fan = parts.find((p): p is FanPart => p.kind === 'fan' && p.id === choice.fan);
  const mount = design.case?.mounts.find((m) => m.id === choice.mount);
  if (!radiator || !fan || !mount) throw new RangeError(msg`what is to be hung is not on offer`);
  const there = design.components.filter((i) => hangsOn(design, i, choice.mount)),
    now = there.find((i) => i.part.kind === 'radiator');
  const airWay = () => {
    if (now?.placement.on === 'mount') return now.placement.air;
    if (mount.face === 'front' || mount.face === 'bottom' || mount.face === 'side') return 'in';
    return 'out';
  };
  const air = airWay();
  const placement: Placement = {
    on: 'mount',
    mount: mount.id,
    slide_mm: choice.slide_mm,
    ports: choice.ports,
    air,
  };
  const ids = new Set(design.components.map((i) => i.id));
  const id = now?.id ?? freeId(ids, `${mount.id}-radiator`);
  ids.add(id);
  const speed = there.find((i) => i.part.kind === 'fan')?.settings.speed_rpm;
  const edits: Edit[] = there
    .filter((i) => i.part.kind === 'fan')
    .map((i) => ({ do: 'component.remove', component: i.id }));
  if (now)
    edits.push(
      ...(now.part.id === radiator.id
        ? []
        : [{ do: 'component.replace', component: id, part: radiator } as const]),
      { do: 'component.place', component: id, placement },
    );
  else
    edits.push({
      do: 'component.add',
      component: {
        id,
        name: msg`Radiator, ${mount.name.toLowerCase()}`,
        part: radiator,
        placement,
        settings: {},
      },
    });
  for (const face of (choice.faces === 'both'
    ? ['frame', 'interior']
    : [choice.faces]) as readonly Exclude<FanFaces, 'both'>[]) {
    const fans = freeId(ids, `${mount.id}-fans`);
    ids.add(fans);
    const fansName = () => {
      if (choice.faces === 'both' && face === 'interior')
        return msg`Fans, ${mount.name.toLowerCase()}, inside`;
      if (face === 'outside') return msg`Fans, ${mount.name.toLowerCase()}, outside`;
      return msg`Fans, ${mount.name.toLowerCase()}`;
    };
    edits.push({
      do: 'component.add',
      component: {
        id: fans,
        name: fansName(),
        part: fan,
        placement: { on: 'radiator', component: id, face },
        settings:
          speed === undefined
            ? {}
            : {
                speed_rpm: Math.round(
                  Math.min(fan.fullSpeed_rpm, Math.max(fan.minSpeed_rpm, speed)),
                ),
              },
      },
    });
  }
  const [loop] = design.loops;
  const into =
    now || !loop
      ? null
      : insertStation(
          edits.reduce((b, e) => applyEdit(b, e).design, design),
          loop.id,
          id,
        );
  return { do: 'batch', edits: into ? [...edits, into] : edits };
}

/** A whole set in one edit. Radiators that no longer hang anywhere stay as they are. */
export function hangSetEdit(design: Design, set: FitSet, offer: readonly Part[]): Edit {
  const edits: Edit[] = [];
  let after = design;
  for (const pick of set.picks) {
    const edit = hangEdit(after, pick, offer);
    edits.push(edit);
    after = applyEdit(after, edit).design;
  }
  return { do: 'batch', edits };
}
