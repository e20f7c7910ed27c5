'use client';
import { type Edit, type KitDuty, priceIn } from '@/core/design';
import type { CablePart, ScrewPart, ConsumablePart } from '@/core/components';
import { formatMoney, plural } from '@/core/units';
import { Pick, useOffer, useOwnShelves, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { Section } from '../frame/StageFrame';
import styles from './PartsStage.module.css';

const DUTIES: readonly { readonly duty: KitDuty; readonly label: string }[] = [
  { duty: 'rotary90', label: '90° rotary' },
  { duty: 'rotary45', label: '45° rotary' },
  { duty: 'extender', label: 'Extender' },
  { duty: 'maleToMale', label: 'Male-to-male' },
  { duty: 'plug', label: 'Plug' },
  { duty: 'drain', label: 'Drain valve' },
  { duty: 'fill', label: 'Fill cap' },
];

/**
 * The small parts this build uses wherever one is called for, each changed once for all places; and
 * one's own screws, leads and sundries to choose from.
 */
export function KitPicker() {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const fittings = useOffer('fitting'),
    { own, retired } = useOwnShelves(),
    { kit } = design;
  const out = new Set(retired),
    fresh = <T extends { readonly id: string }>(kind: string, has: readonly T[]): readonly T[] =>
      own.filter(
        (p) => p.kind === kind && !out.has(p.id) && !has.some((h) => h.id === p.id),
      ) as unknown as readonly T[];
  const screws = fresh<ScrewPart>('screw', kit.screws),
    cables = fresh<CablePart>('cable', kit.cables ?? []),
    consumables = fresh<ConsumablePart>('consumable', kit.consumables ?? []),
    n = screws.length + cables.length + consumables.length;
  const takeOwn = (): void => {
    const edits: Edit[] = [
      ...(screws.length > 0
        ? [{ do: 'kit.screws' as const, screws: [...kit.screws, ...screws] }]
        : []),
      ...(cables.length > 0
        ? [{ do: 'kit.cables' as const, cables: [...(kit.cables ?? []), ...cables] }]
        : []),
      ...(consumables.length > 0
        ? [
            {
              do: 'kit.consumables' as const,
              consumables: [...(kit.consumables ?? []), ...consumables],
            },
          ]
        : []),
    ];
    commit('choose from my own small parts too', { do: 'batch', edits });
  };
  return (
    <Section title="Small parts of this build">
      <div className={styles.kit}>
        {DUTIES.map(({ duty, label }) => {
          const now = kit[duty],
            like = fittings.filter((f) => f.duty === duty);
          return (
            <Pick
              key={duty}
              label={label}
              value={now.id}
              options={[...(like.some((f) => f.id === now.id) ? [] : [now]), ...like].map((f) => ({
                value: f.id,
                label: `${f.name}, ${formatMoney(priceIn(design.brief, f.price_minor))}`,
              }))}
              onPick={(id) => {
                const fitting = like.find((f) => f.id === id);
                if (fitting) commit(`use ${fitting.name}`, { do: 'kit.set', duty, fitting });
              }}
            />
          );
        })}
      </div>
      {n > 0 && (
        <p className="soft">
          {plural(n, 'screw, cable or consumable', 'screws, cables and consumables')} of your own{' '}
          {n === 1 ? 'is' : 'are'} in the catalogue.{' '}
          <Press className={styles.quiet} onClick={takeOwn}>
            Let the list choose from {n === 1 ? 'it' : 'them'} too
          </Press>
        </p>
      )}
    </Section>
  );
}
