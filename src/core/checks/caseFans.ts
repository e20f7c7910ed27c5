import { freeId, type Edit, type Component } from '../design';
import { counted, msg } from '../messages';
import type { Diagnostic } from './diagnostic';

import type { OperatingCheck } from './inputs';

export const caseFans: OperatingCheck = {
  code: 'case.fans',
  severity: 'note',
  stage: 'cooling',
  get meaning() {
    return msg`Fans come with the case and their mount is still free. Added, they move case air
      and cost nothing.`;
  },
  get source() {
    return msg`the case's own data`;
  },
  run: (context) => {
    const { design } = context;
    const taken = (mount: string): boolean =>
      design.components.some((i) => i.placement.on === 'mount' && i.placement.mount === mount);
    const waiting = (design.case?.fansIncluded ?? []).filter(
      (f) => !taken(f.mount) && design.case?.mounts.some((m) => m.id === f.mount),
    );
    if (waiting.length === 0) return [];
    const names = waiting.map(
      (f) => design.case?.mounts.find((m) => m.id === f.mount)?.name ?? f.mount,
    );
    const edits: Edit[] = [];
    const ids = design.components.map((i) => i.id);
    for (const f of waiting) {
      const id = freeId(ids, 'case-fan');
      ids.push(id);
      const component: Component = {
        id,
        name: msg`${f.fan.name}, of the case`,
        part: f.fan,
        placement: {
          on: 'mount',
          mount: f.mount,
          slide_mm: 0,
          ports: 'end',
          air: f.mount === 'front' || f.mount === 'bottom' ? 'in' : 'out',
        },
        settings: { owned: true },
      };
      edits.push({ do: 'component.add', component });
    }
    return [
      {
        subjects: [],
        title: msg`${counted(waiting.length, '# fan of the case is', '# fans of the case are')}
          not in the build`,
        detail: msg`Free: ${names.join(', ')}. They count as owned.`,
        candidates: () => [{ label: msg`Add them, as owned`, edit: { do: 'batch', edits } }],
      } satisfies Diagnostic,
    ];
  },
};
