'use client';
import type { FittingPart } from '@/core/components';
import type { Cap, CapAdapter, CapDuty, Loop } from '@/core/design';
import type { Vec } from '@/core/geometry';
import { Pick, useOfferSoon } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg, worded } from '@/core/messages';

const DUTIES = worded(
  () =>
    [
      { value: 'plug', label: msg`plug` },
      { value: 'drain', label: msg`drain valve` },
      { value: 'fill', label: msg`fill cap` },
    ] as const,
);

/** Ways an elbow may look, in the words of the case. */
const WAYS: readonly { readonly words: string; readonly direction: Vec }[] = worded(() => [
  { words: msg`down`, direction: [0, -1, 0] },
  { words: msg`up`, direction: [0, 1, 0] },
  { words: msg`to the glass`, direction: [0, 0, 1] },
  { words: msg`to the tray`, direction: [0, 0, -1] },
  { words: msg`to the front`, direction: [1, 0, 0] },
  { words: msg`to the rear`, direction: [-1, 0, 0] },
]);
const NONE = 'none',
  KIT = 'kit';

/** What closes a spare port: what it does, which piece, and what is screwed in before it. */
export function CapFields({
  loop,
  cap,
  called,
}: {
  readonly loop: Loop;
  readonly cap: Cap;
  readonly called: string;
}) {
  const commit = useEditor((s) => s.commit);
  const system = useEditor((s) => s.analysis.system);
  const kit = useEditor((s) => s.design.kit);
  const offer = useOfferSoon('fitting').filter((p): p is FittingPart => p.duty === cap.with);
  const direction = system.portAt(cap)?.direction ?? [0, 1, 0];
  const turns = WAYS.filter(
    ({ direction: d }) =>
      Math.abs(d[0] * direction[0] + d[1] * direction[1] + d[2] * direction[2]) < 0.5,
  );
  const set = (values: {
    readonly with?: CapDuty;
    readonly piece?: FittingPart | null;
    readonly under?: CapAdapter | null;
  }): void => {
    const piece = values.piece === undefined ? cap.piece : values.piece,
      under = values.under === undefined ? cap.under : values.under;
    commit(msg`close ${called}`, {
      do: 'cap.set',
      loop: loop.id,
      port: { component: cap.component, port: cap.port },
      with: values.with ?? cap.with,
      ...(piece ? { piece } : {}),
      ...(under ? { under } : {}),
    });
  };
  const underOf = ({ piece, direction: d }: CapAdapter): string =>
    piece === 'extender' ? piece : `${piece}:${d?.join(',') ?? ''}`;
  const adapterOf = (value: string): CapAdapter | null => {
    if (value === NONE) return null;
    if (value === 'extender') return { piece: 'extender' };
    const way = turns.find((t) => value === `rotary90:${t.direction.join(',')}`);
    return { piece: 'rotary90', ...(way ? { direction: way.direction } : {}) };
  };
  return (
    <>
      <Pick
        hideLabel
        label={msg`What closes ${called}`}
        value={cap.with}
        options={DUTIES}
        onPick={(w: CapDuty) => set({ with: w, piece: null })}
      />
      <Pick
        hideLabel
        label={msg`Which part closes ${called}`}
        value={cap.piece?.id ?? KIT}
        options={[
          { value: KIT, label: kit[cap.with].name },
          ...offer
            .filter((p) => p.id !== kit[cap.with].id)
            .map((p) => ({ value: p.id, label: p.name })),
        ]}
        onPick={(id) => set({ piece: offer.find((p) => p.id === id) ?? null })}
      />
      <Pick
        hideLabel
        label={msg`What is under it in ${called}`}
        value={cap.under ? underOf(cap.under) : NONE}
        options={[
          { value: NONE, label: msg`straight in the port` },
          { value: 'extender', label: msg`on an extender` },
          ...turns.map((t) => ({
            value: `rotary90:${t.direction.join(',')}`,
            label: msg`on an elbow, looking ${t.words}`,
          })),
        ]}
        onPick={(value) => set({ under: adapterOf(value) })}
      />
    </>
  );
}
