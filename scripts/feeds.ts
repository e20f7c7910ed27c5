/**
 * Simulated price feeds of invented shops, one CSV each, from the catalogue and a fixed rule: run
 * again, they come out the same.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import Papa from 'papaparse';
import { CATALOGUE } from '../src/catalogue';
import type { Shop } from '../src/core/bom';

const SHOPS: readonly (Shop & {
  readonly level: number;
  readonly kinds: readonly string[] | null;
  readonly misses: number;
})[] = [
  {
    id: 'weir-lane',
    name: 'Weir Lane Cooling',
    shipping_minor: 690,
    freeFrom_minor: 15000,
    tax_percent: 19,
    days: 3,
    level: 1.02,
    kinds: null,
    misses: 9,
  },
  {
    id: 'long-acre',
    name: 'Long Acre Hardware',
    shipping_minor: 490,
    freeFrom_minor: null,
    tax_percent: 19,
    days: 2,
    level: 0.97,
    kinds: [
      'case',
      'processor',
      'card',
      'board',
      'memory',
      'supply',
      'fan',
      'screw',
      'consumable',
      'cable',
    ],
    misses: 6,
  },
  {
    id: 'dry-ford',
    name: 'Dry Ford Fittings',
    shipping_minor: 590,
    freeFrom_minor: 9000,
    tax_percent: 20,
    days: 5,
    level: 0.91,
    kinds: ['fitting', 'inline', 'tube', 'coolant', 'screw', 'consumable'],
    misses: 12,
  },
  {
    id: 'far-barn',
    name: 'Far Barn Outlet',
    shipping_minor: 1290,
    freeFrom_minor: 30000,
    tax_percent: 0,
    days: 12,
    level: 0.84,
    kinds: null,
    misses: 3,
  },
];

/** A small number from a text, always the same (FNV-1a). */
const mark = (text: string): number => {
  let h = 2166136261;
  for (const c of text) h = Math.imul(h ^ c.charCodeAt(0), 16777619);
  return (h >>> 0) % 1000;
};

mkdirSync('public/feeds', { recursive: true });
writeFileSync(
  'public/feeds/shops.json',
  `${JSON.stringify(
    SHOPS.map(({ level: _level, kinds: _kinds, misses: _misses, ...shop }) => shop),
    null,
    2,
  )}\n`,
);
for (const shop of SHOPS) {
  const rows = CATALOGUE.filter(
    (p) =>
      (shop.kinds === null || shop.kinds.includes(p.kind)) &&
      mark(`${shop.id} ${p.id}`) % shop.misses !== 0,
  ).map((p) => {
    const m = mark(`${p.id} ${shop.id} price`),
      price = Math.max(
        50,
        Math.round((p.price_minor * shop.level * (0.94 + (m % 120) / 1000)) / 5) * 5,
      );
    return {
      part: p.id,
      'order number': `${shop.id
        .split('-')
        .map((w) => w.slice(0, 1).toUpperCase())
        .join('')} ${10000 + ((m * 37 + mark(`${shop.id} ${p.id} number`)) % 90000)}`,
      name: p.name,
      price: (price / 100).toFixed(2),
      stock: m % 17 === 0 ? m % 3 : '',
      days: m % 11 === 0 ? 14 : '',
    };
  });
  writeFileSync(
    `public/feeds/${shop.id}.csv`,
    `${Papa.unparse(rows, { newline: '\n', escapeFormulae: true })}\n`,
  );
}
console.log(SHOPS.map((s) => s.id).join(', '));
