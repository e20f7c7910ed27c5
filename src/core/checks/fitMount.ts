import { nearestSlide, screwedAs, slidesOn } from '../system';
import { listOr, msg } from '../messages';
import { missesHoles } from './places';
import { formatMillimetres } from '../units';
import type { Diagnostic } from './diagnostic';
import type { SpatialCheck } from './inputs';

/** What a screw gives in its hole, mm (common practice, no source). */
const SCREW_MM = 0.5;

export const fitMount: SpatialCheck = {
  code: 'fit.mount',
  severity: 'fails',
  stage: 'case',
  get meaning() {
    return msg`A radiator does not fit the mount it is given: its sections, length or hole pitch
      differ, or with its fans it is thicker than the case's maker allows there.`;
  },
  get source() {
    return msg`data of the case and the radiator; hole gaps of 15 and 20 mm on 140 mm sections are
      common practice`;
  },
  run: (context) =>
    context.design.components.flatMap((component): Diagnostic[] => {
      const { part, placement } = component;
      if (part.kind !== 'radiator' || placement.on !== 'mount') return [];
      const mount = context.design.case?.mounts.find((m) => m.id === placement.mount);
      if (!mount) return [];
      const diagnostic: Diagnostic[] = [];
      const say = (title: string, detail: string, rest: Partial<Diagnostic> = {}): void => {
        diagnostic.push({ subjects: [component.id], title, detail, ...rest });
      };
      const row = mount.fans.find((f) => f.size_mm === part.section_mm);
      if (!row)
        say(
          msg`${component.name} does not match the ${mount.name.toLowerCase()}`,
          msg`It has ${part.section_mm} mm sections; the mount takes
            ${listOr(mount.fans.map((f) => `${f.count} × ${f.size_mm}`))} mm.`,
        );
      else if (row.count < part.sections)
        say(
          msg`${component.name} is too long for the ${mount.name.toLowerCase()}`,
          msg`It has ${part.sections} sections; the mount takes ${row.count}.`,
        );
      if (missesHoles(mount, part))
        say(
          msg`Screw holes of ${component.name} miss the ${mount.name.toLowerCase()}`,
          msg`Neighbouring fans' holes lie ${part.holeGap_mm} mm apart on the radiator and
            ${mount.holeGap_mm} mm on the mount.`,
          { measured: part.holeGap_mm, limit: mount.holeGap_mm, unit: 'mm' },
        );
      const ranges = slidesOn(mount, screwedAs(part, placement.ports));
      const meets = nearestSlide(ranges, placement.slide_mm);
      const off = Math.abs(meets - placement.slide_mm);
      if (row && off > SCREW_MM)
        say(
          msg`Screws of ${component.name} miss the holes of the ${mount.name.toLowerCase()}`,
          msg`It is slid by ${formatMillimetres(placement.slide_mm)}; the nearest holes are at
            ${formatMillimetres(meets)}.`,
          {
            measured: off,
            limit: SCREW_MM,
            unit: 'mm',
            candidates: () => [
              {
                label: msg`Slide ${component.name} to its holes`,
                edit: {
                  do: 'component.place',
                  component: component.id,
                  placement: { ...placement, slide_mm: meets },
                },
              },
            ],
          },
        );
      if (placement.slide_mm < 0 || placement.slide_mm + part.size[0] > mount.length_mm + 1e-6)
        say(
          msg`${component.name} sticks out of the ${mount.name.toLowerCase()}`,
          msg`The rail is ${formatMillimetres(mount.length_mm)} long; the radiator is
            ${formatMillimetres(part.size[0])} and slid by
            ${formatMillimetres(placement.slide_mm)}.`,
          { measured: placement.slide_mm + part.size[0], limit: mount.length_mm, unit: 'mm' },
        );
      for (const f of context.design.components) {
        if (
          f.part.kind !== 'fan' ||
          f.placement.on !== 'radiator' ||
          f.placement.component !== component.id ||
          f.placement.face !== 'outside' ||
          f.part.size[2] <= (mount.outside_mm ?? 0)
        )
          continue;
        say(
          msg`${f.name} does not go outside the ${mount.name.toLowerCase()}`,
          mount.outside_mm
            ? msg`Under the cover are ${formatMillimetres(mount.outside_mm)}; the fans are
              ${formatMillimetres(f.part.size[2])} thick.`
            : msg`There is no room between its frame and the cover.`,
          {
            subjects: [f.id],
            measured: f.part.size[2],
            limit: mount.outside_mm ?? 0,
            unit: 'mm',
            candidates: () =>
              (['frame', 'interior'] as const).map((face) => ({
                label:
                  face === 'frame'
                    ? msg`Mount them between panel and radiator`
                    : msg`Mount them inside`,
                edit: {
                  do: 'component.place' as const,
                  component: f.id,
                  placement: { on: 'radiator' as const, component: component.id, face },
                },
              })),
          },
        );
      }
      const faces = context.design.components.filter(
        (f) =>
          f.part.kind === 'fan' &&
          f.placement.on === 'radiator' &&
          f.placement.component === component.id &&
          f.placement.face !== 'outside',
      );
      const stack =
        part.size[2] +
        faces.reduce(
          (s, f) =>
            s +
            (f.part.kind === 'fan' ? f.part.size[2] : 0) +
            (f.settings.layers ?? []).reduce((sum, l) => sum + l.thickness_mm, 0),
          0,
        );
      if (stack > mount.published_mm) {
        say(
          msg`${component.name} with its fans is thicker than the maker allows`,
          msg`The stack is ${formatMillimetres(stack)}; the case's maker says
            ${formatMillimetres(mount.published_mm)} at the ${mount.name.toLowerCase()}. Such
            limits are often optimistic: the measured gaps decide.`,
          { severity: 'marginal', measured: stack, limit: mount.published_mm, unit: 'mm' },
        );
      }
      return diagnostic;
    }),
};
