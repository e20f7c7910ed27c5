import type { SheetKind } from './fields';

/** Sheets of invented parts, each laid out another way, with what they tell by hand. */
export interface FixtureSheet {
  readonly layout: string;
  readonly kind: SheetKind;
  readonly text: string;
  /** Figures in this program's own units, worked out by hand. */
  readonly tells: Readonly<Record<string, unknown>>;
  /** Fields that must be asked, and why. */
  readonly asks: readonly (readonly [field: string, why: string])[];
  /** What the builder answers. */
  readonly answers: Readonly<Record<string, string | number | readonly number[]>>;
}

export const SHEETS: readonly FixtureSheet[] = [
  {
    layout: 'label: value, a line each',
    kind: 'radiator',
    text: `Sedgemoor 360 Deep
Maker: Rushwater
Dimensions: 397 x 120 x 45 mm
Fans: 3 x 120 mm, fan hole spacing 15 mm
Fin density: 14 FPI
Ports: 4 x G1/4
Screws: M4
Fins: copper, tanks: brass
Volume: 0.31 l
Test pressure: 1.5 bar
Price: 84.90 EUR`,
    tells: {
      name: 'Sedgemoor 360 Deep',
      maker: 'Rushwater',
      size: [397, 120, 45],
      sections: [3, 120],
      holeGap: 15,
      fpi: 14,
      ports: 4,
      screw: 'M4',
      metal: 'copper',
      volume: 310,
      maxPressure: 150,
      price: 84.9,
    },
    asks: [],
    answers: {},
  },
  {
    layout: 'a table with bars, units in the labels, decimal commas',
    kind: 'radiator',
    text: `| Reedbed Slim 280 | |
| --- | --- |
| Length (mm) | 318,5 |
| Width (mm) | 140 |
| Thickness (mm) | 28,5 |
| Sections | 2 × 140 mm |
| Fins per inch | 20 |
| Price | € 61,50 |
| Core | aluminium |`,
    tells: {
      length: 318.5,
      width: 140,
      thick: 28.5,
      sections: [2, 140],
      price: 61.5,
      metal: 'aluminium',
    },
    // "20" stands behind words alone: its unit is the word, and it is asked.
    asks: [['fpi', 'no unit']],
    answers: { fpi: 20 },
  },
  {
    layout: 'prose',
    kind: 'pump',
    text: `The Millpond compact pump draws no more than 18 W at a full speed of 4,800 rpm and lifts
water 3.9 m (head at no flow). At no head it moves a flow of 1000 l/h. It measures 60 x 60 x 38 mm,
ports are G 1/4, and its noise is 31 dB(A) at full speed. Lowest speed 1,200 rpm.`,
    tells: {
      power: 18,
      fullSpeed: 4800,
      head: 3.9,
      flow: 1000 / 60,
      size: [60, 60, 38],
      sound: 31,
      minSpeed: 1200,
    },
    asks: [],
    answers: {},
  },
  {
    layout: 'rows of a curve, labels with units in brackets',
    kind: 'pump',
    text: `OSTLER 5 PUMP
Power consumption\t23 W
Speed\t1500 – 5000 rpm
Size\t62 x 62 x 66 mm
Noise\t36 dBA

Flow [L/min]\t0\t4\t8\t12\t16
Head [m]\t5,2\t4,7\t3,9\t2,7\t1,1`,
    tells: {
      power: 23,
      minSpeed: 1500,
      fullSpeed: 5000,
      points: [
        [0, 5.2],
        [4, 4.7],
        [8, 3.9],
        [12, 2.7],
        [16, 1.1],
      ],
      sound: 36,
    },
    asks: [],
    answers: {},
  },
  {
    layout: 'pairs of a curve, in pressure and US gallons',
    kind: 'pump',
    text: `Fenwater D pump -- specifications
Max speed ....... 4500 rpm
Min speed ....... 1000 rpm
Wattage ......... 16 W
Body ............ 2.4" x 2.4" x 2.2"
Curve:
0 gpm = 38 kPa
1 gpm = 33 kPa
2 gpm = 25 kPa
4 gpm = 6 kPa`,
    tells: {
      fullSpeed: 4500,
      minSpeed: 1000,
      power: 16,
      size: [60.96, 60.96, 55.88],
      points: [
        [0, 38 / 9.80665],
        [3.785412, 33 / 9.80665],
        [7.570824, 25 / 9.80665],
        [15.141648, 6 / 9.80665],
      ],
    },
    asks: [],
    answers: {},
  },
  {
    layout: 'label on one line, value on the next',
    kind: 'block',
    text: `Larkspur processor block
Mounting pattern
75 x 75 mm M4
Dimensions
58 x 58 x 23 mm
Cold plate
Nickel-plated copper, acrylic top
Pressure drop at nominal flow
7.8 kPa
Thermal resistance
0.042 K/W
Price
72 EUR`,
    tells: {
      cools: 'processor',
      pattern: '75 × 75 M4',
      size: [58, 58, 23],
      metal: 'nickel',
      top: 'acrylic',
      drop: 7.8,
      resistance: 0.042,
      price: 72,
    },
    asks: [],
    answers: {},
  },
  {
    layout: 'columns of a curve under a heading',
    kind: 'block',
    text: `Card cover "Bittern K" for graphics cards
Layout: K-long
Size 248 x 118 x 20 mm, copper, POM top

Flow (l/min) | Pressure drop (mbar) | Resistance (K/W)
1 | 6 | 0.031
2 | 18 | 0.027
4 | 62 | 0.022
6 | 131 | 0.020`,
    tells: {
      cools: 'card',
      layout: 'K-long',
      size: [248, 118, 20],
      metal: 'copper',
      top: 'acetal',
      dropPoints: [
        [1, 0.6],
        [2, 1.8],
        [4, 6.2],
        [6, 13.1],
      ],
      resistancePoints: [
        [1, 0.031],
        [2, 0.027],
        [4, 0.022],
        [6, 0.02],
      ],
    },
    asks: [],
    answers: {},
  },
  {
    layout: 'a table across, one row a model',
    kind: 'card',
    text: `Model          Board power    Length    Height    Thickness
Teal 300       285 W          302 mm    131 mm    52 mm
Layout: K-long
Max. core temperature: 88 °C`,
    tells: { power: 285, length: 302, width: 131, thick: 52, limit: 88, layout: 'K-long' },
    asks: [],
    answers: {},
  },
  {
    layout: 'ranges and contradictions',
    kind: 'card',
    text: `Sandpiper 500 graphics card
Power draw: 320 to 360 W
Dimensions: 12.2 x 5.3 x 2.2 inches
Length: 310 mm
Recommended supply: 850 W (psu)
Length overall: 322 mm`,
    tells: { size: [309.88, 134.62, 55.88] },
    asks: [
      ['power', 'range'],
      ['length', 'contradiction'],
    ],
    answers: { power: 360, length: 310 },
  },
  {
    layout: 'semicolons, cubic feet, millimetres of water',
    kind: 'fan',
    text: `Skylark 140 PWM fan; size 140 x 140 x 25 mm; 500-1600 rpm; airflow 77 CFM; static pressure 2.1 mmH2O; 25.5 dB(A); input power 2.4 W; 18.90 EUR`,
    tells: {
      size: [140, 140, 25],
      minSpeed: 500,
      fullSpeed: 1600,
      air: 77 * 1.699011,
      pressure: 2.1 * 0.00980665,
      sound: 25.5,
      power: 2.4,
      price: 18.9,
    },
    asks: [],
    answers: {},
  },
  {
    layout: 'a reservoir in short lines',
    kind: 'reservoir',
    text: `Otter pool 200
tube reservoir, 60 x 60 x 200 mm
Capacity: 0.4 l
leak tested at 0.5 bar
EUR 49.00`,
    tells: { name: 'Otter pool 200', size: [200, 60, 60], volume: 400, maxPressure: 50, price: 49 },
    asks: [],
    answers: {},
  },
  {
    layout: 'a processor in a line of boasts',
    kind: 'processor',
    text: `Lapwing 12 processor
12 cores, 24 threads
TDP: 170 W
Max. temperature 95 °C
Cooler holes 75 × 75 mm M4`,
    tells: { power: 170, limit: 95, pattern: '75 × 75 M4' },
    asks: [],
    answers: {},
  },
  {
    layout: 'a power supply in columns',
    kind: 'supply',
    text: `Beacon 850 power supply | modular
Output | 850 W
Size | 150 × 150 × 86 mm
Price | 139.00 €`,
    tells: { power: 850, size: [150, 150, 86], price: 139 },
    asks: [],
    answers: {},
  },
  {
    layout: 'tube by its two widths',
    kind: 'tube',
    text: `Curlew hose 16/10 mm
EPDM, black
Minimum bend radius: 5 cm
Price per metre: 6.90 EUR`,
    tells: { outer: 16, inner: 10, material: 'EPDM rubber', minBend: 50, price: 6.9 },
    asks: [],
    answers: {},
  },
  {
    layout: 'a fitting whose height is a range',
    kind: 'fitting',
    text: `Plover compression fitting, G1/4
For tubing with outer diameter 16 mm and inner diameter 10 mm
Height: 22 to 24 mm
Widest diameter: 24 mm
Brass, nickel plated`,
    tells: { outer: 16, inner: 10, holds: 'compression', diameter: 24, metal: 'nickel' },
    asks: [['tall', 'range']],
    answers: { tall: 24 },
  },
];
