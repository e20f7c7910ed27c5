import { insertStation } from '../loops';
import type { Edit } from '../design';
import { counted, msg } from '../messages';
import type { Fix, Diagnostic } from './diagnostic';
import { isWet } from '../components';
import type { SpatialCheck } from './inputs';

export const portOpen: SpatialCheck = {
  code: 'rule.port-open',
  severity: 'fails',
  stage: 'runs',
  get meaning() {
    return msg`A port of a part in a loop has neither a run nor a cap: coolant would run out of
      it. Or a part has not been put into any loop. Plug the port, or connect the part.`;
  },
  get source() {
    return msg`common practice, no source`;
  },
  run: (context) => {
    const { design } = context;
    const used = (component: string, port: string): boolean =>
      design.loops.some(
        (l) =>
          l.connections.some(
            (k) =>
              (k.from.component === component && k.from.port === port) ||
              (k.to.component === component && k.to.port === port),
          ) || l.caps.some((c) => c.component === component && c.port === port),
      );
    return design.components.flatMap((component): Diagnostic[] => {
      if (!isWet(component.part)) return [];
      const open = component.part.ports.filter((p) => !used(component.id, p.id));
      if (open.length === 0) return [];
      const loop = design.loops.find((l) =>
        l.connections.some(
          (k) => k.from.component === component.id || k.to.component === component.id,
        ),
      );
      if (!loop) {
        const fixes = design.loops.flatMap((l): Fix[] => {
          const edit = insertStation(design, l.id, component.id);
          return edit ? [{ label: msg`Put it into ${l.name}`, edit }] : [];
        });
        return [
          {
            severity: 'marginal',
            subjects: [component.id],
            title: msg`${component.name} is in no loop`,
            detail:
              design.loops.length > 0
                ? msg`It was added but not connected.`
                : msg`No loop is connected yet: connect the parts on the Runs stage.`,
            candidates: () => fixes,
          },
        ];
      }
      const edits = open.map((p): Edit => ({
        do: 'cap.set',
        loop: loop.id,
        port: { component: component.id, port: p.id },
        with: 'plug',
      }));
      return [
        {
          subjects: [component.id],
          title: msg`${component.name} has ${counted(open.length, 'an open port', '# open ports')}`,
          detail: msg`${open.map((p) => p.name).join(', ')}: every spare port needs a plug.`,
          measured: open.length,
          limit: 0,
          candidates: () => [
            {
              label: msg`${counted(open.length, 'Plug it', 'Plug them')}`,
              edit: { do: 'batch', edits },
            },
          ],
        },
      ];
    });
  },
};
