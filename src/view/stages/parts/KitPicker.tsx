'use client';
import { type Edit, type KitDuty, priceIn } from '@/core/design';
import type { CablePart, ScrewPart, ConsumablePart } from '@/core/components';
import { formatMoney } from '@/core/units';
import { Pick, useOffer, useOwnShelves, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { counted, msg, worded } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './PartsStage.module.css';

const DUTIES: readonly { readonly duty: KitDuty; readonly label: string }[] = worded(() => [
  { duty: 'rotary90', label: msg`90° rotary` },
  { duty: 'rotary45', label: msg`45° rotary` },
  { duty: 'extender', label: msg`Extender` },
  { duty: 'maleToMale', label: msg`Male-to-male` },
  { duty: 'plug', label: msg`Plug` },
  { duty: 'drain', label: msg`Drain valve` },
  { duty: 'fill', label: msg`Fill cap` },
]);

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
    commit(msg`choose from my own small parts too`, { do: 'batch', edits });
  };
  return (
    <Section title={msg`Small parts of this build`}>
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
                if (fitting) commit(msg`use ${fitting.name}`, { do: 'kit.set', duty, fitting });
              }}
            />
          );
        })}
      </div>
      {n > 0 && (
        <p className="soft">
          {msg`${counted(n, '# screw, cable or consumable of your own is', '# screws, cables and consumables of your own are')}
            in the catalogue.`}{' '}
          <Press className={styles.quiet} onClick={takeOwn}>
            {msg`${counted(n, 'Let the list choose from it too', 'Let the list choose from them too')}`}
          </Press>
        </p>
      )}
    </Section>
  );
}
