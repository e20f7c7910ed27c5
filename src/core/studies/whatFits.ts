import type { Design, Component } from '../design';
import { frameSheet, compileSystem, type System } from '../system';
import type { FanPart, Mount, Part, RadiatorPart } from '../components';
import { whyNotOn } from '../checks';
import { bestSets, type FitSet } from './fitSets';
import { hangsOn } from './mountPart';
import { bestWay, fanFaces, type FitChoice, type FitRefusal, type MountFits } from './ways';

export interface WhatFits {
  readonly mounts: readonly MountFits[];
  readonly sets: readonly FitSet[];
}

type Tell = (done: number, of: number) => boolean;

/**
 * Every radiator on offer on every mount of the case, with every face and depth of fan, measured
 * against all that is in (but what hangs on that mount now), and the largest sets for the whole
 * case. `tell` hears how far it is and stops the search by answering false.
 */
export function whatFits(
  design: Design,
  offer: readonly Part[],
  tell: Tell = () => true,
): WhatFits {
  const mounts = design.case?.mounts ?? [];
  const radiators = unique([
    ...design.components.flatMap((i) => (i.part.kind === 'radiator' ? [i.part] : [])),
    ...offer.filter((p): p is RadiatorPart => p.kind === 'radiator'),
  ]);
  const fans = fansByDepth(design, offer);
  const steps = 2 * mounts.length * radiators.length;
  let done = 0;
  const fitsOf = (rest: (mount: Mount) => System): readonly MountFits[] | null => {
    const out: MountFits[] = [];
    for (const mount of mounts) {
      const base = rest(mount),
        choices: FitChoice[] = [],
        refused: FitRefusal[] = [];
      for (const radiator of radiators) {
        const why = whyNotOn(mount, radiator);
        if (why) refused.push({ mount: mount.id, radiator: radiator.id, why });
        else
          for (const fan of fans.get(radiator.section_mm) ?? [])
            for (const faces of fanFaces(
              mount,
              fan,
              design.case ? frameSheet(design.case, mount.face) : 0,
            ))
              choices.push(bestWay(design, base, mount, radiator, fan, faces));
        done += 1;
        if (!tell(done, steps)) return null;
      }
      out.push({ mount: mount.id, choices, refused });
    }
    return out;
  };
  const now = fitsOf((mount) =>
    compileSystem(without(design, (i) => hangsOn(design, i, mount.id))),
  );
  const bare = now && fitsOf(() => bareModel(design));
  return {
    mounts: now ?? [],
    sets: bare
      ? bestSets(design, bareModel(design), bare, radiators, [...fans.values()].flat())
      : [],
  };
}

const bareModel = (design: Design): System =>
  compileSystem(
    without(
      design,
      (i) =>
        i.part.kind === 'radiator' ||
        i.placement.on === 'radiator' ||
        (i.part.kind === 'fan' && i.placement.on === 'mount'),
    ),
  );
const unique = <P extends Part>(parts: readonly P[]): readonly P[] =>
  parts.filter((p, i) => parts.findIndex((q) => q.id === p.id) === i);
const without = (design: Design, gone: (i: Component) => boolean): Design => ({
  ...design,
  components: design.components.filter((i) => !gone(i)),
});

/** One fan for each depth: one the build has, else the first on offer. */
function fansByDepth(
  design: Design,
  offer: readonly Part[],
): ReadonlyMap<number, readonly FanPart[]> {
  const all = [...design.components.map((i) => i.part), ...offer].filter(
    (p): p is FanPart => p.kind === 'fan',
  );
  const of = (section: number): readonly FanPart[] => {
    const list = all.filter((f) => f.section_mm === section);
    return list
      .filter((f, i) => list.findIndex((g) => g.size[2] === f.size[2]) === i)
      .sort((a, b) => a.size[2] - b.size[2]);
  };
  return new Map([...new Set(all.map((f) => f.section_mm))].map((s) => [s, of(s)] as const));
}
