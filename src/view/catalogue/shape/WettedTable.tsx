import { Press } from '@/view/shared';
import { isWet, POLYMER_MATERIALS, type ComponentPart, type Metal } from '@/core/components';
import { msg, worded } from '@/core/messages';
import { ChoiceField, NumberField } from './Field';
import styles from './PartShape.module.css';

const METALS: readonly Metal[] = [
  'copper',
  'brass',
  'nickel',
  'stainless',
  'stainless316',
  'steel',
  'aluminium',
  'anodisedAluminium',
  'tin',
  'zinc',
  'silver',
  'silverSolder',
  'gold',
  'chrome',
  'nickelPhosphorus',
  'other',
];
const WORDS: Partial<Record<Metal, string>> = worded(() => ({
  stainless: msg`stainless 304`,
  stainless316: msg`stainless 316`,
  silverSolder: msg`silver solder`,
  nickelPhosphorus: msg`nickel phosphorus`,
  anodisedAluminium: msg`anodised aluminium`,
  other: msg`another, not judged`,
}));
const METAL_OPTIONS = METALS.map((value) => ({ value, label: WORDS[value] ?? value }));
const OVER = worded(() => [{ value: 'none', label: msg`bare` }, ...METAL_OPTIONS] as const);
const SOFT = POLYMER_MATERIALS.map((value) => ({ value, label: value }));

/** What the coolant touches: metals with what they are plated over, plastics and rubbers. */
export function WettedTable({
  part,
  onChange,
}: {
  readonly part: ComponentPart;
  onChange(part: ComponentPart): void;
}) {
  if (!isWet(part)) return null;
  const { wetted, polymers = [] } = part;
  const setMetals = (next: typeof wetted): void =>
    onChange({ ...part, wetted: next } as ComponentPart);
  const setSoft = (next: typeof polymers): void =>
    onChange({ ...part, polymers: next } as ComponentPart);
  return (
    <>
      <h3>{msg`Metals the coolant touches`}</h3>
      {wetted.map((s, i) => (
        <div key={i} className={styles.wide}>
          <ChoiceField
            label={msg`metal`}
            value={s.metal}
            options={METAL_OPTIONS}
            onChange={(metal) => setMetals(wetted.map((x, k) => (k === i ? { ...x, metal } : x)))}
          />
          <ChoiceField
            label={msg`plated over`}
            value={s.platedOver ?? 'none'}
            options={OVER}
            onChange={(over) =>
              setMetals(
                wetted.map((x, k) => {
                  if (k !== i) return x;
                  const { platedOver: _was, ...bare } = x;
                  return over === 'none' ? bare : { ...bare, platedOver: over as Metal };
                }),
              )
            }
          />
          <NumberField
            label={msg`area, mm²`}
            value={s.area_mm2}
            onChange={(area_mm2) =>
              setMetals(wetted.map((x, k) => (k === i ? { ...x, area_mm2 } : x)))
            }
          />
          <Press
            className={styles.quiet}
            onClick={() => setMetals(wetted.filter((_, k) => k !== i))}
          >
            {msg`take away`}
          </Press>
        </div>
      ))}
      <Press
        className={styles.quiet}
        onClick={() => setMetals([...wetted, { metal: 'copper', area_mm2: 1000 }])}
      >
        {msg`A metal more`}
      </Press>
      <h3>{msg`Plastics and rubbers`}</h3>
      {polymers.map((s, i) => (
        <div key={i} className={styles.wide}>
          <ChoiceField
            label={msg`material`}
            value={s.material}
            options={SOFT}
            onChange={(material) =>
              setSoft(polymers.map((x, k) => (k === i ? { ...x, material } : x)))
            }
          />
          <ChoiceField
            label={msg`as`}
            value={s.as}
            options={[
              { value: 'body', label: msg`body` },
              { value: 'seal', label: msg`seal` },
            ]}
            onChange={(as) => setSoft(polymers.map((x, k) => (k === i ? { ...x, as } : x)))}
          />
          <Press
            className={styles.quiet}
            onClick={() => setSoft(polymers.filter((_, k) => k !== i))}
          >
            {msg`take away`}
          </Press>
        </div>
      ))}
      <Press
        className={styles.quiet}
        onClick={() => setSoft([...polymers, { material: 'EPDM rubber', as: 'seal' }])}
      >
        {msg`A plastic more`}
      </Press>
    </>
  );
}
