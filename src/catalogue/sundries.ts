import type { SundryDuty, SundryPart } from '@/core/part';

const CHALK = 'Chalkmoor Supplies', THORN = 'Thornbench Tools', FONT = 'Fontley Fluids', SEDGE = 'Sedgebank Fittings';

const sundry = (id: string, name: string, maker: string, price: number, duty: SundryDuty, tool: boolean, pack = 1, tube_mm?: number): SundryPart => ({ kind: 'sundry', id: `sun-${id}`, name, maker, price_minor: price, tolerance_mm: 0, duty, tool, pack, ...(tube_mm === undefined ? {} : { tube_mm }) });

/** What a loop uses up, and the tools it is made with. */
export const SUNDRIES: readonly SundryPart[] = [
  sundry('paste-2', 'Thermal paste, 2 g', CHALK, 690, 'paste', false, 3), sundry('paste-8', 'Thermal paste, 8 g', CHALK, 1490, 'paste', false, 12),
  sundry('pads-1', 'Thermal pad, 1 mm, 100 × 100', CHALK, 990, 'pads', false, 2), sundry('pads-1-5', 'Thermal pad, 1.5 mm, 100 × 100', CHALK, 1190, 'pads', false, 2),
  sundry('alcohol', 'Isopropyl alcohol, 250 mL', CHALK, 590, 'alcohol', false, 10), sundry('paper', 'Lint-free paper, 50 sheets', CHALK, 390, 'paper', false, 2),
  sundry('gloves', 'Nitrile gloves, 10 pairs', CHALK, 490, 'gloves', false, 10), sundry('tape', 'Masking tape', CHALK, 290, 'tape', false, 5), sundry('marker', 'Marker that wipes off', CHALK, 190, 'marker', true),
  sundry('washer', 'Washers 1 mm, 20', SEDGE, 290, 'washer', false, 20), sundry('o-ring', 'O-rings for G 1/4, 10', SEDGE, 350, 'o-ring', false, 10), sundry('o-ring-tube', 'O-rings for hard tube fittings, 10', SEDGE, 450, 'o-ring', false, 10),
  sundry('water', 'Distilled water, 1 L', FONT, 190, 'water', false),
  sundry('biocide', 'Biocide drops, 10 mL', FONT, 490, 'biocide', false, 5), sundry('flush', 'Flushing salt, for two radiators', FONT, 890, 'flush', false, 2),
  sundry('cord-8', 'Silicone cord 8 mm, 1 m', THORN, 590, 'cord', true, 1, 8), sundry('cord-10', 'Silicone cord 10 mm, 1 m', THORN, 690, 'cord', true, 1, 10), sundry('cord-12', 'Silicone cord 12 mm, 1 m', THORN, 790, 'cord', true, 1, 12),
  sundry('mandrel-12', 'Bending mandrels for 12 mm tube', THORN, 2490, 'mandrel', true, 1, 12), sundry('mandrel-14', 'Bending mandrels for 14 mm tube', THORN, 2690, 'mandrel', true, 1, 14), sundry('mandrel-16', 'Bending mandrels for 16 mm tube', THORN, 2890, 'mandrel', true, 1, 16),
  sundry('heat-gun', 'Heat gun, 1,500 W', THORN, 3490, 'heat-gun', true), sundry('saw', 'Fine saw, 32 teeth an inch', THORN, 1290, 'saw', true), sundry('mitre', 'Mitre box for tube', THORN, 990, 'mitre', true),
  sundry('cutter', 'Tube cutter for PETG', THORN, 1490, 'cutter', true), sundry('snips', 'Snips for soft tube', THORN, 1190, 'snips', true), sundry('deburrer', 'Deburrer, inside and out', THORN, 1090, 'deburrer', true),
  sundry('leak-tester', 'Leak tester: hand pump and gauge', THORN, 2990, 'leak-tester', true), sundry('fill-bottle', 'Filling bottle with spout, 500 mL', THORN, 590, 'fill-bottle', true),
  sundry('bracket-fan', 'Bracket, pump or reservoir on a fan\u2019s holes', SEDGE, 1290, 'bracket', false), sundry('bracket-plate', 'Sheet 2 mm for a bracket of your own, 150 × 150', THORN, 690, 'bracket', false),
];
