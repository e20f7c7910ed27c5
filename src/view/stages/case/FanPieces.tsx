'use client';
import { findComponent, type Component, type Design } from '@/core/design';
import { Pick } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';

/** How many fans a set could have where it hangs; 0 where it hangs nowhere. */
function placesFor(design: Design, { part, placement: p }: Component): number {
  if (part.kind !== 'fan') return 0;
  if (p.on === 'radiator') {
    const host = findComponent(design, p.component);
    return host?.part.kind === 'radiator' ? host.part.sections : 0;
  }
  const mount = p.on === 'mount' ? design.case?.mounts.find((m) => m.id === p.mount) : undefined;
  return mount?.fans.find((f) => f.size_mm === part.section_mm)?.count ?? 0;
}

/** How many of the places on a radiator or mount a set of fans fills. */
export function FanPieces({ component }: { readonly component: Component }) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const places = placesFor(design, component);
  if (places < 2) return null;
  const now = Math.min(component.settings.pieces ?? places, places);
  return (
    <Pick
      label={msg`Fans in the set`}
      value={String(now)}
      options={Array.from({ length: places }, (_, i) => ({
        value: String(i + 1),
        label: i + 1 === places ? msg`all ${places}` : msg`${i + 1} of ${places}`,
      }))}
      onPick={(v) =>
        commit(
          msg`${v} of ${places} fans`,
          Number(v) === places
            ? { do: 'component.unset', component: component.id, keys: ['pieces'] }
            : { do: 'component.set', component: component.id, values: { pieces: Number(v) } },
        )
      }
    />
  );
}
