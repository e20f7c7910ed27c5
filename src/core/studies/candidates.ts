import {
  applyEdit,
  freeId,
  type Design,
  type Edit,
  type Component,
  findComponent,
} from '../design';
import { proposeLoop, replaceWithPlugs } from '../loops';
import { compileSystem } from '../system';
import type { FanPart, Part, PumpPart, RadiatorPart } from '../components';
import { formatNumber } from '../units';
import { defaultPlacements, moreRadiators } from '../checks';
import { msg } from '../messages';

export type ChangeKind =
  | 'fans'
  | 'core'
  | 'section'
  | 'radiator'
  | 'push-pull'
  | 'direction'
  | 'case fan'
  | 'pump speed'
  | 'loops';

/** One thing a builder could do, as the edit that does it. */
export interface Candidate {
  readonly id: string;
  readonly kind: ChangeKind;
  readonly label: string;
  readonly edit: Edit;
}

const radiatorsIn = (design: Design): readonly (Component & { readonly part: RadiatorPart })[] => {
  const wet = new Set(
    design.loops.flatMap((l) => l.connections.flatMap((k) => [k.from.component, k.to.component])),
  );
  return design.components.filter(
    (i): i is Component & { part: RadiatorPart } => i.part.kind === 'radiator' && wet.has(i.id),
  );
};
const fansOf = (
  design: Design,
  radiator: string,
): readonly (Component & { readonly part: FanPart })[] =>
  design.components.filter(
    (i): i is Component & { part: FanPart } =>
      i.part.kind === 'fan' && i.placement.on === 'radiator' && i.placement.component === radiator,
  );
const held = (part: FanPart | PumpPart, rpm: number): number =>
  Math.round(Math.min(part.fullSpeed_rpm, Math.max(part.minSpeed_rpm, rpm)));

/**
 * Every single change that could help or save, from the parts on offer. Each is one edit on the
 * build as it stands.
 */
export function candidates(design: Design, offer: readonly Part[]): readonly Candidate[] {
  return [
    ...otherFans(design, offer),
    ...otherCores(design, offer),
    ...anotherRadiator(design, offer),
    ...bothFaces(design),
    ...directions(design),
    ...exhaust(design, offer),
    ...pumpSpeeds(design),
    ...joined(design),
    ...parted(design, offer),
  ];
}

function otherFans(design: Design, offer: readonly Part[]): readonly Candidate[] {
  const now = radiatorsIn(design).flatMap((r) => fansOf(design, r.id));
  return [...new Set(now.map((f) => f.part.section_mm))].flatMap((section) => {
    const here = now.filter((f) => f.part.section_mm === section);
    return offer
      .filter(
        (p): p is FanPart =>
          p.kind === 'fan' && p.section_mm === section && here.some((f) => f.part.id !== p.id),
      )
      .map((part): Candidate => ({
        id: `fans-${part.id}`,
        kind: 'fans',
        label: msg`${part.name} on the radiators`,
        edit: {
          do: 'batch',
          edits: here.flatMap((f): Edit[] => [
            { do: 'component.replace', component: f.id, part },
            {
              do: 'component.set',
              component: f.id,
              values: { speed_rpm: held(part, f.settings.speed_rpm ?? f.part.fullSpeed_rpm) },
            },
          ]),
        },
      }));
  });
}

/** Another core in a radiator's place: thicker, denser, or a section longer. */
function otherCores(design: Design, offer: readonly Part[]): readonly Candidate[] {
  return radiatorsIn(design).flatMap((r) =>
    offer
      .filter(
        (p): p is RadiatorPart =>
          p.kind === 'radiator' &&
          p.id !== r.part.id &&
          p.section_mm === r.part.section_mm &&
          (p.sections === r.part.sections || p.sections === r.part.sections + 1) &&
          p.core.finMetal === r.part.core.finMetal,
      )
      .map((part): Candidate => ({
        id: `core-${r.id}-${part.id}`,
        kind: part.sections > r.part.sections ? 'section' : 'core',
        label: msg`${part.name} for ${r.name}`,
        // A core with more ports than the one before leaves none of them open.
        edit: replaceWithPlugs(design, r.id, part),
      })),
  );
}

/** One more radiator on a free mount. */
const anotherRadiator = (design: Design, offer: readonly Part[]): readonly Candidate[] =>
  moreRadiators(design, offer).map(({ part, mount, mountName, edit }) => ({
    id: `radiator-${part.id}-${mount}`,
    kind: 'radiator',
    label: msg`${part.name} on the ${mountName.toLowerCase()}`,
    edit,
  }));

function bothFaces(design: Design): readonly Candidate[] {
  return radiatorsIn(design).flatMap((r): Candidate[] => {
    const fans = fansOf(design, r.id),
      [only] = fans;
    if (fans.length !== 1 || only?.placement.on !== 'radiator') return [];
    const id = freeId(
      design.components.map((i) => i.id),
      'fan',
    );
    const component: Component = {
      id,
      name: msg`${only.name}, far face`,
      part: only.part,
      placement: {
        on: 'radiator',
        component: r.id,
        face: only.placement.face === 'frame' ? 'interior' : 'frame',
      },
      settings: only.settings.speed_rpm === undefined ? {} : { speed_rpm: only.settings.speed_rpm },
    };
    return [
      {
        id: `both-${r.id}`,
        kind: 'push-pull',
        label: msg`Fans in push-pull on ${r.name}`,
        edit: { do: 'component.add', component },
      },
    ];
  });
}

function directions(design: Design): readonly Candidate[] {
  return radiatorsIn(design).flatMap((r): Candidate[] =>
    r.placement.on !== 'mount'
      ? []
      : [
          {
            id: `turn-${r.id}`,
            kind: 'direction',
            label: r.placement.air === 'in' ? msg`${r.name} as exhaust` : msg`${r.name} as intake`,
            edit: {
              do: 'component.place',
              component: r.id,
              placement: { ...r.placement, air: r.placement.air === 'in' ? 'out' : 'in' },
            },
          },
        ],
  );
}

/**
 * A fan that blows out, on each mount that is free for one: the first on offer, at two thirds of
 * its speed.
 */
function exhaust(design: Design, offer: readonly Part[]): readonly Candidate[] {
  const seen = new Set<string>();
  return offer
    .filter((p): p is FanPart => p.kind === 'fan')
    .flatMap((part) =>
      defaultPlacements(design, { id: '', part }).flatMap(({ placement }): Candidate[] => {
        if (placement.on !== 'mount' || seen.has(placement.mount)) return [];
        seen.add(placement.mount);
        const id = freeId(
            design.components.map((i) => i.id),
            'fan',
          ),
          mount =
            design.case?.mounts.find((m) => m.id === placement.mount)?.name.toLowerCase() ??
            placement.mount;
        return [
          {
            id: `exhaust-${placement.mount}`,
            kind: 'case fan',
            label: msg`${part.name} blowing out, ${mount}`,
            edit: {
              do: 'component.add',
              component: {
                id,
                name: msg`Fan, ${mount}`,
                part,
                placement: { ...placement, air: 'out' },
                settings: { speed_rpm: held(part, (2 * part.fullSpeed_rpm) / 3) },
              },
            },
          },
        ];
      }),
    );
}

/** Steps of pump speed tried, as shares of the present one. */
const PUMP_STEPS = [0.8, 1.2] as const;

function pumpSpeeds(design: Design): readonly Candidate[] {
  const pumps = design.components.filter(
    (i): i is Component & { part: PumpPart } => i.part.kind === 'pump',
  );
  return PUMP_STEPS.flatMap((share): Candidate[] => {
    const sets = pumps.flatMap((p): { readonly id: string; readonly rpm: number }[] => {
      const now = p.settings.speed_rpm ?? p.part.fullSpeed_rpm,
        rpm = held(p.part, now * share);
      return Math.abs(rpm - now) > 20 ? [{ id: p.id, rpm }] : [];
    });
    const [first] = sets;
    if (!first) return [];
    return [
      {
        id: `pump-${share}`,
        kind: 'pump speed',
        label: msg`${sets.length > 1 ? msg`Pumps` : msg`Pump`} at ${formatNumber(first.rpm)} rpm`,
        edit: {
          do: 'batch',
          edits: sets.map((s): Edit => ({
            do: 'component.set',
            component: s.id,
            values: { speed_rpm: s.rpm },
          })),
        },
      },
    ];
  });
}

/** All loops as one, laid anew in the shortest order with every pump in the row. */
function joined(design: Design): readonly Candidate[] {
  const [first] = design.loops;
  if (!first || design.loops.length < 2) return [];
  const apart = design.loops.reduce(
    (b, l) => applyEdit(b, { do: 'loop.remove', loop: l.id }).design,
    design,
  );
  const components = compileSystem(design)
    .loops.flatMap((g) => g.stations)
    .filter((id) => findComponent(design, id)?.part.kind !== 'inline');
  const edit = proposeLoop(apart, {
    name: first.name,
    tube: first.tube,
    fitting: first.fitting,
    coolant: first.coolant,
    components,
  });
  return edit
    ? [
        {
          id: 'loops-joined',
          kind: 'loops',
          label: msg`One loop instead of ${design.loops.length}`,
          edit: {
            do: 'batch',
            edits: [...design.loops.map((l): Edit => ({ do: 'loop.remove', loop: l.id })), edit],
          },
        },
      ]
    : [];
}

/**
 * The first block in a loop of its own with a radiator, a second pump and the smallest reservoir on
 * offer.
 */
function parted(design: Design, offer: readonly Part[]): readonly Candidate[] {
  const [only] = design.loops;
  if (!only || design.loops.length !== 1) return [];
  const stations = compileSystem(design).loops[0]?.stations ?? [];
  const ofKind = (kind: string): readonly string[] =>
    stations.filter((s) => findComponent(design, s)?.part.kind === kind);
  const blocks = ofKind('block'),
    radiators = ofKind('radiator'),
    pump = findComponent(design, ofKind('pump')[0]);
  const [reservoir] = offer
    .filter((p) => p.kind === 'reservoir')
    .sort((a, b) => (a.kind === 'reservoir' && b.kind === 'reservoir' ? a.fill_mL - b.fill_mL : 0));
  if (
    blocks.length < 2 ||
    radiators.length < 2 ||
    pump?.part.kind !== 'pump' ||
    reservoir?.kind !== 'reservoir'
  )
    return [];
  const ids = design.components.map((i) => i.id);
  const pumpId = freeId(ids, 'pump'),
    reservoirId = freeId(ids, 'reservoir');
  let made = applyEdit(design, { do: 'loop.remove', loop: only.id }).design;
  const edits: Edit[] = [{ do: 'loop.remove', loop: only.id }];
  const take = (edit: Edit | null): void => {
    if (edit) {
      edits.push(edit);
      made = applyEdit(made, edit).design;
    }
  };
  for (const [id, part, name] of [
    [pumpId, pump.part, msg`Second pump`],
    [reservoirId, reservoir, msg`Second reservoir`],
  ] as const) {
    take({
      do: 'component.add',
      component: {
        id,
        name,
        part,
        placement: defaultPlacements(made, { id, part })[0]?.placement ?? { on: 'unplaced' },
        settings:
          id === pumpId && pump.settings.speed_rpm !== undefined
            ? { speed_rpm: pump.settings.speed_rpm }
            : {},
      },
    });
  }
  const own = { tube: only.tube, fitting: only.fitting, coolant: only.coolant };
  const smallest = [...radiators].sort(
    (a, b) => sections(design, a) - sections(design, b),
  )[0] as string;
  const second = [reservoirId, pumpId, blocks[0] as string, smallest];
  take(
    proposeLoop(made, {
      ...own,
      name: only.name,
      components: stations.filter(
        (s) => !second.includes(s) && findComponent(design, s)?.part.kind !== 'inline',
      ),
    }),
  );
  take(proposeLoop(made, { ...own, name: msg`Second loop`, components: second }));
  return made.loops.length === 2
    ? [
        {
          id: 'loops-parted',
          kind: 'loops',
          label: msg`A loop of its own for
            ${findComponent(design, blocks[0])?.name ?? msg`one block`}`,
          edit: { do: 'batch', edits },
        },
      ]
    : [];
}

const sections = (design: Design, id: string): number => {
  const part = findComponent(design, id)?.part;
  return part?.kind === 'radiator' ? part.sections : 0;
};
