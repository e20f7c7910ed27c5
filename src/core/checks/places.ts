import { formatMillimetres } from '../units';
import { hostsFor } from '../matching';
import type { Design, Component, Placement } from '../design';
import { nearestSlide, screwedAs, slidesOn } from '../system';
import type { CasePart, DevicePart, FanPart, Mount, RadiatorPart } from '../components';
import { msg } from '../messages';

export interface Place {
  readonly label: string;
  readonly placement: Placement;
}

/** Where a part could go in this build, most usual first. */
export function defaultPlacements(
  design: Design,
  component: Pick<Component, 'id' | 'part'>,
): readonly Place[] {
  const { part } = component;
  const box = design.case;
  const others = design.components.filter((i) => i.id !== component.id);
  switch (part.kind) {
    case 'board':
      return [{ label: msg`On the board tray`, placement: { on: 'tray' } }];
    case 'processor':
    case 'memory':
      return [{ label: msg`On the board`, placement: { on: 'board' } }];
    case 'supply':
      return [{ label: msg`In the power supply bay`, placement: { on: 'bay' } }];
    case 'device':
      return placesFor(design, part, others);
    case 'card':
      return [
        ...freeSlots(others, part.size[1]).map((slot): Place => ({
          label: msg`In slot ${slot}`,
          placement: { on: 'slot', slot },
        })),
        ...(box?.riser
          ? [{ label: msg`In the upright slot`, placement: { on: 'riser' } as const }]
          : []),
      ];
    case 'block': {
      // What it is made for comes first; what it is not made for is no place for it.
      const made = hostsFor(design, part);
      const verdictOf = (id: string) => made.find((m) => m.host.id === id)?.verdict;
      const rank = (id: string): number => (verdictOf(id) === 'fits' ? 0 : 1);
      return others
        .filter(
          (o) =>
            (part.cools as readonly string[]).includes(o.part.kind) &&
            (part.cools[0] !== 'processor' || o.part.kind === 'processor') &&
            verdictOf(o.id) !== 'misfits' &&
            !others.some(
              (b) =>
                b.part.kind === 'block' &&
                b.placement.on === 'component' &&
                b.placement.component === o.id,
            ),
        )
        .sort((a, b) => rank(a.id) - rank(b.id))
        .map((o) => ({
          label: msg`On ${o.name}`,
          placement: { on: 'component', component: o.id },
        }));
    }
    case 'radiator':
      return (box?.mounts ?? [])
        .filter((m) => whyNotOn(m, part) === null)
        .filter(
          (m) => !others.some((o) => o.placement.on === 'mount' && o.placement.mount === m.id),
        )
        .map((m) => ({
          label: msg`On the ${m.name.toLowerCase()}`,
          placement: {
            on: 'mount',
            mount: m.id,
            slide_mm: firstSlide(m, part),
            ports: 'end',
            air: m.face === 'front' || m.face === 'bottom' || m.face === 'side' ? 'in' : 'out',
          },
        }));
    case 'fan': {
      const fansOf = (radiator: string): readonly Component[] =>
        others.filter((f) => f.placement.on === 'radiator' && f.placement.component === radiator);
      const faces = others
        .filter(
          (o) =>
            o.part.kind === 'radiator' &&
            o.part.section_mm === part.section_mm &&
            o.placement.on !== 'unplaced',
        )
        .flatMap((o) =>
          (
            [
              'interior',
              'frame',
              ...(outsideRoom(design, o) >= part.size[2] ? ['outside' as const] : []),
            ] as const
          )
            .filter(
              (face) =>
                !fansOf(o.id).some(
                  (f) => f.placement.on === 'radiator' && f.placement.face === face,
                ),
            )
            .map((face) => {
              const faceWords = () => {
                if (face === 'frame') return msg`between it and the frame`;
                if (face === 'outside') return msg`outside the panel`;
                return msg`inside`;
              };
              return {
                bare: fansOf(o.id).length === 0,
                place: {
                  label: msg`On ${o.name}, ${faceWords()}`,
                  placement: { on: 'radiator', component: o.id, face },
                } as Place,
              };
            }),
        );
      const mounts = (box?.mounts ?? [])
        .filter(
          (m) =>
            m.fans.some((f) => f.size_mm === part.section_mm) &&
            !others.some((o) => o.placement.on === 'mount' && o.placement.mount === m.id),
        )
        .map((m): Place => ({
          label: msg`On the ${m.name.toLowerCase()}, without a radiator`,
          placement: {
            on: 'mount',
            mount: m.id,
            slide_mm: firstSlide(m, part),
            ports: 'end',
            air: m.face === 'rear' || m.face === 'top' ? 'out' : 'in',
          },
        }));
      // A radiator without fans wants them most; a second row on one that has fans gains least.
      return [
        ...faces.filter((f) => f.bare).map((f) => f.place),
        ...mounts,
        ...faces.filter((f) => !f.bare).map((f) => f.place),
      ];
    }
    case 'pump':
    case 'reservoir':
      return [...(box?.spots ?? [])]
        .sort((a, b) => (part.kind === 'pump' ? a.at[1] - b.at[1] : b.at[1] - a.at[1]))
        .filter((s) => !others.some((o) => o.placement.on === 'spot' && o.placement.spot === s.id))
        .map((s): Place => ({
          label: msg`At “${s.name}”`,
          placement: { on: 'spot', spot: s.id, turn: 0 },
        }));
    case 'inline':
      return part.duty === 'passthrough'
        ? openWalls(box, others)
        : [{ label: msg`In its run`, placement: { on: 'line' } }];
    default:
      return [];
  }
}

/** A drive goes into a cage that takes its size, another card into a slot, the rest is stuck on. */
function placesFor(
  { case: box, choices }: Design,
  part: DevicePart,
  others: readonly Component[],
): readonly Place[] {
  if (part.duty === 'extension')
    return freeSlots(others, part.size[1]).map((slot): Place => ({
      label: msg`In slot ${slot}`,
      placement: { on: 'slot', slot },
    }));
  if (part.duty !== 'drive') return [];
  const isTaken = (cage: string, place: number): boolean =>
    others.some(({ placement: p }) => p.on === 'cage' && p.cage === cage && p.place === place);
  return (box?.obstacles ?? [])
    .filter((o) => o.drives?.format === part.format && !choices.removed.includes(o.id))
    .flatMap((o) =>
      Array.from({ length: o.drives?.places ?? 0 }, (_, i) => i + 1)
        .filter((place) => !isTaken(o.id, place))
        .map((place): Place => ({
          label: msg`In ${o.name}, place ${place}`,
          placement: { on: 'cage', cage: o.id, place },
        })),
    );
}

/** Holes of the case for a pass-through that none goes through yet. */
const openWalls = (box: CasePart | null, others: readonly Component[]): readonly Place[] =>
  (box?.ports ?? [])
    .filter((p) => !others.some((o) => o.placement.on === 'port' && o.placement.port === p.id))
    .map((p): Place => ({
      label: msg`Through “${p.name}”`,
      placement: { on: 'port', port: p.id },
    }));

/** Where on a mount its first holes hold a radiator or fans, with the ports at the rail's end. */
export function firstSlide(mount: Mount, part: RadiatorPart | FanPart): number {
  const row = mount.fans.find((f) => f.size_mm === part.section_mm);
  return nearestSlide(slidesOn(mount, screwedAs(part, 'end', row?.count ?? 1)), 0);
}

/** Kinds that carry a pump, a reservoir or a plate screwed to them. */
const CARRIES: readonly string[] = ['radiator', 'fan', 'pump', 'reservoir', 'inline', 'supply'];

/** Parts that another may be screwed to: not itself, and nothing that stands on it. */
export function carriersOf(
  { components }: Design,
  component: Pick<Component, 'id'>,
): readonly Component[] {
  const standsOnIt = (other: Component, seen: readonly string[] = []): boolean => {
    const { placement } = other;
    const host = 'component' in placement ? placement.component : null;
    if (host === null || seen.includes(other.id)) return false;
    if (host === component.id) return true;
    const next = components.find((c) => c.id === host);
    return next !== undefined && standsOnIt(next, [...seen, other.id]);
  };
  return components.filter(
    (c) =>
      c.id !== component.id &&
      CARRIES.includes(c.part.kind) &&
      c.placement.on !== 'unplaced' &&
      c.placement.on !== 'line' &&
      !standsOnIt(c),
  );
}

/**
 * Slots that no card holds, from the top down; those where a card of this thickness would meet
 * another come last.
 */
function freeSlots(others: readonly Component[], thick_mm: number): readonly number[] {
  const board = others.find((o) => o.part.kind === 'board' && o.placement.on === 'tray')?.part,
    planes = board?.kind === 'board' ? board.slots_mm : null;
  const cards = others.flatMap((o) =>
    o.placement.on === 'slot' ? [{ slot: o.placement.slot, thick: o.part.size[1] }] : [],
  );
  const meets = (slot: number): boolean =>
    planes !== null &&
    cards.some((c) => {
      const own = planes[slot - 1] ?? 0,
        other = planes[c.slot - 1] ?? 0;
      return own - thick_mm < other && other - c.thick < own;
    });
  const free = (planes?.map((_, i) => i + 1) ?? [1, 2, 3, 4]).filter(
    (slot) => !cards.some((c) => c.slot === slot),
  );
  return [...free.filter((s) => !meets(s)), ...free.filter(meets)];
}

/** Room outside the frame a radiator hangs on, mm. */
function outsideRoom(design: Design, radiator: Component): number {
  const { placement } = radiator;
  return placement.on === 'mount'
    ? (design.case?.mounts.find((m) => m.id === placement.mount)?.outside_mm ?? 0)
    : 0;
}

/** Neighbouring fans' holes differ between makers on all but 120 mm sections, and only matter there. */
export const missesHoles = (mount: Mount, part: RadiatorPart): boolean =>
  part.section_mm !== 120 && part.sections > 1 && mount.holeGap_mm !== part.holeGap_mm;

/**
 * What keeps a radiator off a mount before anything is measured: holes, sections, length; null when
 * nothing does.
 */
export function whyNotOn(mount: Mount, part: RadiatorPart): string | null {
  const row = mount.fans.find((f) => f.size_mm === part.section_mm);
  if (!row) return msg`no holes for ${part.section_mm} mm fans`;
  if (row.count < part.sections) return msg`${row.count} of its ${part.sections} sections fit`;
  if (mount.length_mm < part.size[0])
    return msg`${formatMillimetres(mount.length_mm)} of rail for
      ${formatMillimetres(part.size[0])}`;
  return missesHoles(mount, part)
    ? msg`holes ${mount.holeGap_mm} mm apart, the radiator's ${part.holeGap_mm} mm`
    : null;
}

/**
 * Why no mount of the case takes a radiator, mount by mount; empty for other parts and without a
 * case.
 */
export function whyNoMount(
  design: Design,
  component: Pick<Component, 'id' | 'part'>,
): readonly string[] {
  const { part } = component;
  if (part.kind !== 'radiator') return [];
  return (design.case?.mounts ?? []).map((m) => {
    const holder = design.components.find(
      (o) => o.id !== component.id && o.placement.on === 'mount' && o.placement.mount === m.id,
    );
    const why = whyNotOn(m, part);
    if (why) return `${m.name}: ${why}`;
    return holder ? msg`${m.name}: taken by ${holder.name}` : msg`${m.name}: free`;
  });
}
