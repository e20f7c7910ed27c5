import type { CoolantPart, FittingDuty, FittingPart, LeadPart, ScrewPart, TubePart, WettedSurface } from '@/core/part';
import { craneFt, CRANE_MULTIPLES } from '@/core/flow';
import { sealed } from './shapes';

const SEDGE = 'Sedgebank Fittings', REED = 'Reedmace', FONT = 'Fontley Fluids';

/** Of the black family, sealed by nitrile rubber. */
const BLACK: readonly WettedSurface[] = [{ metal: 'nickel', platedOver: 'brass', area_mm2: 640 }];
const NICKEL: readonly WettedSurface[] = [{ metal: 'nickel', platedOver: 'brass', area_mm2: 700 }];

const tube = (id: string, name: string, price: number, material: TubePart['material'], outer: number, inner: number, minBend: number, stick?: number): TubePart => ({
  kind: 'tube', id, name, maker: REED, price_minor: price, tolerance_mm: 0.1, material, hard: stick !== undefined, outer_mm: outer, inner_mm: inner, minBend_mm: minBend, ...(stick ? { stick_mm: stick } : {}),
});

export const TUBES: readonly TubePart[] = [
  tube('tube-soft-13-10', 'Soft tube 13/10, clear', 390, 'soft PVC', 13, 10, 38),
  tube('tube-soft-16-10', 'Soft tube 16/10, clear', 490, 'soft PVC', 16, 10, 45),
  tube('tube-epdm-16-10', 'Rubber tube 16/10, black', 690, 'EPDM rubber', 16, 10, 50),
  tube('tube-epdm-13-10', 'Rubber tube 13/10, black', 590, 'EPDM rubber', 13, 10, 42),
  tube('tube-petg-14-10', 'PETG stick 14/10, 1 m', 590, 'PETG', 14, 10, 25, 1000),
  tube('tube-petg-16-12', 'PETG stick 16/12, 1 m', 690, 'PETG', 16, 12, 30, 1000),
  tube('tube-acrylic-14-10', 'Acrylic stick 14/10, 0.5 m', 450, 'acrylic', 14, 10, 25, 500),
  tube('tube-acrylic-16-12', 'Acrylic stick 16/12, 1 m', 890, 'acrylic', 16, 12, 32, 1000),
];

const CRANE = 'Crane TP-410 multiples of fT, from memory';
const elbow = (multiple: number, bore: number): number => Math.round(1000 * multiple * craneFt(bore)) / 1000;

function fitting(id: string, name: string, price: number, duty: FittingDuty, bore: number, k: number, kSource: string, length: number, diameter: number, tubeSize?: { outer_mm: number; inner_mm: number }, wetted: readonly WettedSurface[] = NICKEL): FittingPart {
  return { kind: 'fitting', id, name, maker: SEDGE, price_minor: price, tolerance_mm: 0.2, duty, thread: 'G1/4', bore_mm: bore, k, kSource, length_mm: length, diameter_mm: diameter, wetted, softs: wetted === BLACK ? [{ material: 'nitrile rubber', as: 'seal' }] : sealed(), ...(tubeSize ? { tube: tubeSize } : {}) };
}

/** A barb narrows the tube's bore: sharp entry and half an exit (common practice, no source). */
const COMPRESSION_K = 0.6;
const BARBED = 'entry and partial exit of a short barb, common practice';
const size = (outer_mm: number, inner_mm: number): { outer_mm: number; inner_mm: number } => ({ outer_mm, inner_mm });
const BRASS: readonly WettedSurface[] = [{ metal: 'brass', area_mm2: 700 }];

export const FITTINGS: readonly FittingPart[] = [
  fitting('fit-comp-13-10', 'Compression 13/10', 390, 'compression', 8.5, COMPRESSION_K, BARBED, 22, 18, size(13, 10)),
  fitting('fit-comp-16-10', 'Compression 16/10', 430, 'compression', 9, COMPRESSION_K, BARBED, 24, 23, size(16, 10)),
  fitting('fit-comp-16-10-brass', 'Compression 16/10, plain brass', 360, 'compression', 9, COMPRESSION_K, BARBED, 24, 23, size(16, 10), BRASS),
  fitting('fit-comp-19-13', 'Compression 19/13', 520, 'compression', 11, COMPRESSION_K, BARBED, 26, 27, size(19, 13)),
  fitting('fit-barb-10', 'Barb 10 mm', 190, 'barb', 8, 0.7, BARBED, 26, 17, size(13, 10)),
  fitting('fit-hard-12', 'Hard tube 12', 450, 'hard-tube', 8, 0.35, BARBED, 20, 20, size(12, 8)),
  fitting('fit-hard-14', 'Hard tube 14', 470, 'hard-tube', 10, 0.3, BARBED, 21, 22, size(14, 10)),
  fitting('fit-hard-16', 'Hard tube 16', 520, 'hard-tube', 11, 0.3, BARBED, 22, 25, size(16, 12)),
  fitting('fit-rotary-90', 'Rotary 90°', 690, 'rotary90', 9, elbow(CRANE_MULTIPLES.elbow90, 9), CRANE, 28, 19),
  fitting('fit-rotary-45', 'Rotary 45°', 620, 'rotary45', 9, elbow(CRANE_MULTIPLES.elbow45, 9), CRANE, 25, 19),
  fitting('fit-rotary-90-wide', 'Rotary 90°, wide bore', 890, 'rotary90', 10.5, elbow(CRANE_MULTIPLES.elbow90, 10.5), CRANE, 31, 22),
  fitting('fit-rotary-45-wide', 'Rotary 45°, wide bore', 820, 'rotary45', 10.5, elbow(CRANE_MULTIPLES.elbow45, 10.5), CRANE, 27, 22),
  fitting('fit-extender-15', 'Extender 15 mm', 390, 'extender', 9.5, 0.1, BARBED, 15, 17),
  fitting('fit-extender-30', 'Extender 30 mm', 460, 'extender', 9.5, 0.15, BARBED, 30, 17),
  fitting('fit-plug', 'Plug', 190, 'plug', 8, 0, 'no flow', 5, 17),
  fitting('fit-plug-low', 'Plug, flush', 240, 'plug', 8, 0, 'no flow', 2, 17),
  fitting('fit-drain', 'Drain valve with barb', 1290, 'drain', 8, elbow(CRANE_MULTIPLES.ballValve, 8), CRANE, 48, 22),
  fitting('fit-drain-short', 'Drain valve, short', 1690, 'drain', 8, elbow(CRANE_MULTIPLES.ballValve, 8), CRANE, 34, 24),
  fitting('fit-fill', 'Fill cap', 690, 'fill', 10, 0, 'no flow', 12, 26),
  fitting('fit-fill-low', 'Fill plug, low', 390, 'fill', 8, 0, 'no flow', 4, 20),
  fitting('fit-joint', 'Double male joint, rotary', 590, 'joint', 9.5, 0.2, BARBED, 4, 18),
  ...([[12, 18, 1190], [18, 27, 1290], [27, 40, 1390], [40, 58, 1490], [58, 86, 1690]] as const).map(([least, most, price]): FittingPart => ({ ...fitting(`fit-bridge-${least}`, `Sliding bridge, ${least} to ${most} mm`, price, 'bridge', 9, 0.45, 'entry, exit and a sliding step, common practice', most, 18), span_mm: [least, most] })),
];

/** A second and third family: a slim one in black over nickel, and a heavy one in brass. Their tube sizes and small parts are their own. */
const REEDFAMILY = 'Rushlight', HEAVY = 'Millstone';
const inFamily = (family: string, part: FittingPart): FittingPart => ({ ...part, family });

export const FAMILIES: readonly FittingPart[] = [
  ...[
    fitting('fit-rush-comp-13-10', 'Rushlight compression 13/10', 520, 'compression', 9, 0.5, BARBED, 19, 17, size(13, 10), BLACK), fitting('fit-rush-comp-16-10', 'Rushlight compression 16/10', 560, 'compression', 9.5, 0.5, BARBED, 20, 21, size(16, 10), BLACK),
    fitting('fit-rush-hard-12', 'Rushlight hard tube 12', 590, 'hard-tube', 8, 0.3, BARBED, 17, 18, size(12, 8), BLACK), fitting('fit-rush-hard-14', 'Rushlight hard tube 14', 620, 'hard-tube', 10, 0.25, BARBED, 18, 20, size(14, 10), BLACK), fitting('fit-rush-hard-16', 'Rushlight hard tube 16', 660, 'hard-tube', 11.5, 0.25, BARBED, 19, 23, size(16, 12), BLACK),
    fitting('fit-rush-rotary-90', 'Rushlight rotary 90°', 890, 'rotary90', 9.5, elbow(CRANE_MULTIPLES.elbow90, 9.5), CRANE, 26, 18, undefined, BLACK), fitting('fit-rush-rotary-45', 'Rushlight rotary 45°', 820, 'rotary45', 9.5, elbow(CRANE_MULTIPLES.elbow45, 9.5), CRANE, 23, 18, undefined, BLACK),
    fitting('fit-rush-extender-15', 'Rushlight extender 15 mm', 520, 'extender', 10, 0.1, BARBED, 15, 16, undefined, BLACK), fitting('fit-rush-extender-25', 'Rushlight extender 25 mm', 590, 'extender', 10, 0.12, BARBED, 25, 16, undefined, BLACK),
    fitting('fit-rush-plug', 'Rushlight plug', 260, 'plug', 8, 0, 'no flow', 3, 16, undefined, BLACK), fitting('fit-rush-fill', 'Rushlight fill cap', 790, 'fill', 10, 0, 'no flow', 8, 22, undefined, BLACK), fitting('fit-rush-joint', 'Rushlight double male joint', 690, 'joint', 10, 0.2, BARBED, 4, 17, undefined, BLACK),
  ].map((f) => inFamily(REEDFAMILY, f)),
  ...[
    fitting('fit-mill-comp-13-10', 'Millstone compression 13/10', 340, 'compression', 8.5, 0.65, BARBED, 23, 19, size(13, 10), BRASS), fitting('fit-mill-comp-16-10', 'Millstone compression 16/10', 380, 'compression', 9, 0.65, BARBED, 25, 24, size(16, 10), BRASS), fitting('fit-mill-comp-19-13', 'Millstone compression 19/13', 460, 'compression', 11, 0.6, BARBED, 27, 28, size(19, 13), BRASS),
    fitting('fit-mill-hard-14', 'Millstone hard tube 14', 410, 'hard-tube', 10, 0.3, BARBED, 22, 23, size(14, 10), BRASS), fitting('fit-mill-hard-16', 'Millstone hard tube 16', 450, 'hard-tube', 11, 0.3, BARBED, 23, 26, size(16, 12), BRASS),
    fitting('fit-mill-rotary-90', 'Millstone rotary 90°', 590, 'rotary90', 9, elbow(CRANE_MULTIPLES.elbow90, 9), CRANE, 29, 20, undefined, BRASS), fitting('fit-mill-rotary-45', 'Millstone rotary 45°', 540, 'rotary45', 9, elbow(CRANE_MULTIPLES.elbow45, 9), CRANE, 26, 20, undefined, BRASS),
    fitting('fit-mill-extender-15', 'Millstone extender 15 mm', 340, 'extender', 9.5, 0.1, BARBED, 15, 18, undefined, BRASS), fitting('fit-mill-extender-30', 'Millstone extender 30 mm', 410, 'extender', 9.5, 0.15, BARBED, 30, 18, undefined, BRASS),
    fitting('fit-mill-plug', 'Millstone plug', 160, 'plug', 8, 0, 'no flow', 5, 18, undefined, BRASS), fitting('fit-mill-drain', 'Millstone drain valve', 1190, 'drain', 8, elbow(CRANE_MULTIPLES.ballValve, 8), CRANE, 46, 23, undefined, BRASS), fitting('fit-mill-joint', 'Millstone double male joint', 490, 'joint', 9.5, 0.2, BARBED, 4, 19, undefined, BRASS),
  ].map((f) => inFamily(HEAVY, f)),
];

export const COOLANTS: readonly CoolantPart[] = [
  { kind: 'coolant', id: 'cool-clear-premix', name: 'Clear premix', conductivity_uScm: 60, maker: FONT, price_minor: 1290, tolerance_mm: 0, base: { glycol: 'propylene', volumeShare: 0.1 }, bottle_mL: 1000, inhibitor_months: 24, biocide: true, look: 'clear', poisonous: false, upkeep: 'Change every two years. Does not stain.' },
  { kind: 'coolant', id: 'cool-distilled', name: 'Distilled water with biocide', conductivity_uScm: 20, maker: FONT, price_minor: 590, tolerance_mm: 0, base: { glycol: 'none', volumeShare: 0 }, bottle_mL: 1000, inhibitor_months: 0, biocide: true, look: 'clear', poisonous: false, upkeep: 'Change every year. No corrosion inhibitor: one metal family only.' },
  { kind: 'coolant', id: 'cool-dyed', name: 'Dyed premix, river green', conductivity_uScm: 220, maker: FONT, price_minor: 1590, tolerance_mm: 0, base: { glycol: 'propylene', volumeShare: 0.15 }, bottle_mL: 1000, inhibitor_months: 18, biocide: true, look: 'dyed', poisonous: false, upkeep: 'Change every 18 months. Dye stains soft tube and may settle.' },
  { kind: 'coolant', id: 'cool-opaque', name: 'Opaque premix, chalk', conductivity_uScm: 480, maker: FONT, price_minor: 2190, tolerance_mm: 0, base: { glycol: 'propylene', volumeShare: 0.2 }, bottle_mL: 1000, inhibitor_months: 12, biocide: true, look: 'opaque', poisonous: false, upkeep: 'Change every year and flush. Its filling settles where flow is slow and clogs fine fins.' },
  { kind: 'coolant', id: 'cool-winter', name: 'Winter concentrate, mixed 1 to 3', waterParts: 3, conductivity_uScm: 1900, maker: FONT, price_minor: 990, tolerance_mm: 0, base: { glycol: 'ethylene', volumeShare: 0.25 }, bottle_mL: 1000, inhibitor_months: 36, biocide: true, look: 'clear', poisonous: true, upkeep: 'Change every three years. Poisonous, to pets above all.' },
  { kind: 'coolant', id: 'cool-clear-concentrate', name: 'Clear concentrate, mixed 1 to 4', maker: FONT, price_minor: 1490, tolerance_mm: 0, base: { glycol: 'propylene', volumeShare: 0.18 }, bottle_mL: 250, waterParts: 4, conductivity_uScm: 240, inhibitor_months: 24, biocide: true, look: 'clear', poisonous: false, upkeep: 'Change every two years. Mix with distilled water only: tap water brings lime.' },
  { kind: 'coolant', id: 'cool-dyed-amber', name: 'Dyed premix, hedge amber', maker: FONT, price_minor: 1590, tolerance_mm: 0, base: { glycol: 'propylene', volumeShare: 0.15 }, bottle_mL: 1000, conductivity_uScm: 230, inhibitor_months: 18, biocide: true, look: 'dyed', poisonous: false, upkeep: 'Change every 18 months. Dye stains soft tube and may settle.' },
  { kind: 'coolant', id: 'cool-solvent', name: 'Cold-room mix, 35 %', maker: FONT, price_minor: 1890, tolerance_mm: 0, base: { glycol: 'ethylene', volumeShare: 0.35 }, bottle_mL: 1000, conductivity_uScm: 2600, inhibitor_months: 36, biocide: true, look: 'clear', poisonous: true, attacks: ['acrylic'], upkeep: 'Change every three years. Poisonous, to pets above all. Crazes acrylic under stress.' },
];

const screw = (thread: string, length_mm: number, pack: number, price: number): ScrewPart => ({ kind: 'screw', id: `screw-${thread.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-${length_mm}`, name: `Screw ${thread} × ${length_mm}`, maker: SEDGE, price_minor: price, tolerance_mm: 0.3, thread, length_mm, pack });

/** Lengths as standards list them: ISO 4762 / ISO 7380 for M3 and M4; inch lengths for UNC 6-32, in mm. */
export const SCREWS: readonly ScrewPart[] = [
  ...[5, 6, 8, 16, 20, 25, 30, 35, 40].map((l) => screw('M3', l, 12, 240 + l * 4)),
  ...[5, 6, 8, 16, 20, 25, 30, 35, 40].map((l) => screw('M4', l, 12, 280 + l * 4)),
  ...[4.8, 6.4, 19.1, 28.6, 31.8, 38.1].map((l) => screw('UNC 6-32', l, 12, 260 + Math.round(l) * 4)),
];

const lead = (id: string, name: string, price: number, duty: LeadPart['duty'], outlets: number, limit_A: number): LeadPart => ({ kind: 'lead', id, name, maker: 'Copperline Leads', price_minor: price, tolerance_mm: 0, duty, outlets, limit_A });

export const LEADS: readonly LeadPart[] = [
  lead('lead-split-2', 'Fan splitter, two ways', 390, 'splitter', 2, 2), lead('lead-split-3', 'Fan splitter, three ways', 490, 'splitter', 3, 2), lead('lead-split-4', 'Fan splitter, four ways', 590, 'splitter', 4, 2),
  lead('lead-hub-6', 'Fan hub, six ways, fed by the supply', 1290, 'hub', 6, 4.5), lead('lead-hub-10', 'Fan hub, ten ways, fed by the supply', 1890, 'hub', 10, 6),
];
