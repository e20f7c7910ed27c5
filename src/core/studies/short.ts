import { applyEdit, componentName, runName, type Design, type Edit } from '../design';
import { measureGaps } from '../clearance';
import { compileSystem, shiftEdit } from '../system';
import { formatMillimetres } from '../units';
import type { Routed } from '../routing';
import { dot, norm, scale, sub, unit, type Vec } from '../geometry';
import { listAnd, msg } from '../messages';

/** What saves a tube that came out too short. */
export interface Rescue {
  readonly how: 'deeper' | 'extender' | 'move' | 'again';
  readonly says: string;
  /** What to do at the bench besides. */
  readonly then: string;
  readonly edit: Edit | null;
  /** Other runs that change with it. */
  readonly touches: readonly string[];
}

/**
 * Each end may sit this much less deep in its fitting and still seal, mm (common practice, no
 * source).
 */
export const GIVE_MM = 2;
/**
 * A straight leg of a bent tube can be trimmed or lengthened along its own way only: directions
 * within about 3°.
 */
const ALONG = 0.9986;

/**
 * Ways to use a routed tube that was made `short_mm` too short at one end: let it sit less deep; an
 * extender in the port (cut back by what it is too long); the part it leads to moved towards it
 * along its rail or over the floor, tried on a copy; and making it again. Best first.
 */
export function whatIfShort(
  design: Design,
  routed: Routed,
  linkId: string,
  end: 'from' | 'to',
  short_mm: number,
): readonly Rescue[] {
  const route = routed.routes.find((r) => r.connection === linkId),
    loop = design.loops.find((l) => l.id === route?.loop),
    connection = loop?.connections.find((l) => l.id === linkId);
  if (!route || !loop || !connection) return [];
  const out: Rescue[] = [];
  if (short_mm <= 2 * GIVE_MM)
    out.push({
      how: 'deeper',
      says: msg`Let both ends sit ${formatMillimetres(short_mm / 2, 1)} less deep`,
      then: msg`Up to ${formatMillimetres(GIVE_MM)} an end still seals; pull at it before you
        fill.`,
      edit: null,
      touches: [],
    });
  const [p, q] =
    end === 'to'
      ? [route.corners[route.corners.length - 2], route.corners[route.corners.length - 1]]
      : [route.corners[1], route.corners[0]];
  const leg = unit(sub(q as Vec, p as Vec)),
    legLength = norm(sub(q as Vec, p as Vec));
  const system = compileSystem(design),
    ref = connection[end],
    port = system.portAt(ref),
    laid = end === 'to' ? route.to : route.from;
  const nameOf = (id: string): string => componentName(design, id);
  const extender = design.kit.extender;
  if (
    laid.piece === 'straight' &&
    port &&
    dot(port.direction, scale(leg, -1)) > ALONG &&
    extender.length_mm >= short_mm &&
    legLength > extender.length_mm
  ) {
    const off = extender.length_mm - short_mm;
    out.push({
      how: 'extender',
      says: msg`Put ${extender.name} into ${nameOf(ref.component)}, ${port.port.name}`,
      then:
        off > 0.05
          ? msg`Cut ${formatMillimetres(off, 1)} off that end.`
          : msg`It comes out just right.`,
      edit: {
        do: 'connection.ends',
        loop: loop.id,
        connection: linkId,
        ends: { ...connection.ends, [end]: 'extender' },
      },
      touches: [],
    });
  }
  const before = measureGaps(system).gaps.filter((g) => g.verdict === 'clash').length,
    by = scale(leg, -short_mm);
  const group = system.mates.rootsOf(ref.component),
    edit = shiftEdit(design, group, by);
  if (edit) {
    const moved = compileSystem(applyEdit(design, edit).design),
      at = moved.portAt(ref);
    // The end must come nearer by just what is missing, and not to the side.
    const gone = at && port ? sub(at.at, port.at) : null;
    if (
      gone &&
      norm(sub(gone, by)) < WHOLE_MM &&
      measureGaps(moved).gaps.filter((g) => g.verdict === 'clash').length <= before
    ) {
      const carried = new Set(system.mates.groupOf(ref.component));
      const sits = (id: string): boolean => carried.has(id);
      const touches = design.loops.flatMap((l) =>
        l.connections
          .filter(
            (k) =>
              k.id !== linkId && k.by === 'tube' && sits(k.from.component) !== sits(k.to.component),
          )
          .map((k) => k.id),
      );
      out.push({
        how: 'move',
        says: msg`Move ${listAnd(group.map(nameOf))} by ${formatMillimetres(norm(gone), 1)}
          towards it`,
        then:
          touches.length > 0
            ? msg`Other runs change: ${touches.map((t) => runName(design, t)).join(', ')}. Make
              those after it.`
            : msg`No other run changes.`,
        edit,
        touches,
      });
    }
  }
  out.push({
    how: 'again',
    says: msg`Make it again`,
    then: msg`Spare tube is on the list for this. Keep the short one for a shorter run.`,
    edit: null,
    touches: [],
  });
  return out;
}

/** Parts move by whole millimetres. */
const WHOLE_MM = 0.51;
