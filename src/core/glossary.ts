/** A term of the trade with what it means here; `unit` where it is a quantity. */
export interface Term {
  readonly term: string;
  readonly means: string;
  readonly unit?: string;
}

/** The one glossary: shown by `?` in the app, and in docs/glossary.md. In the order of the alphabet. */
export const GLOSSARY: readonly Term[] = [
  {
    term: 'adapter',
    means: 'A piece between a port and a fitting: an extender, an elbow of 45° or 90°.',
  },
  {
    term: 'anodic index',
    means:
      'How noble a metal is. Two wetted metals far apart on it corrode each other in one loop; the less noble one dissolves.',
    unit: 'V',
  },
  {
    term: 'brief',
    means: 'What the build must do: load case, room, coolant ΔT, noise, flow, budget.',
  },
  {
    term: 'case airflow',
    means: 'Air through fans and openings of the case, as one network of pressures.',
    unit: 'm³/h',
  },
  {
    term: 'chamber',
    means:
      'A part of the case with air of its own, such as a basement or the space behind the tray.',
  },
  {
    term: 'clearance',
    means: 'Distance between two parts, or between a part and the case.',
    unit: 'mm',
  },
  {
    term: 'conductance',
    means: 'Heat that a radiator takes for each kelvin between coolant in and air in.',
    unit: 'W/K',
  },
  {
    term: 'coolant ΔT',
    means: 'Mean coolant temperature of a loop above room air, when everything has settled.',
    unit: 'K',
  },
  {
    term: 'direct connection',
    means: 'Two ports screwed together with a male-to-male fitting, without tube.',
  },
  {
    term: 'fin density',
    means: 'Fins of a radiator per inch: more need faster fans.',
    unit: 'FPI',
  },
  {
    term: 'finger clearance',
    means: 'Space round a fitting to tighten it by hand.',
    unit: 'mm',
  },
  {
    term: 'full-cover block',
    means: 'A block over processor, memory and regulators of a graphics card together.',
  },
  { term: 'head', means: 'Pressure of a pump as the height of water it could hold up.', unit: 'm' },
  {
    term: 'hot spot',
    means: 'The hottest place of a part that has a limit: a core, memory, a regulator.',
    unit: '°C',
  },
  {
    term: 'inline part',
    means: 'A filter, flow meter, valve, tee or sensor that sits in a run.',
  },
  {
    term: 'load case',
    means: 'How hard the parts work: idle, gaming, render, stress test or custom.',
  },
  {
    term: 'loop resistance',
    means: 'Pressure that all parts and tubes of a loop take at a flow (system curve).',
    unit: 'kPa',
  },
  { term: 'mandrel', means: 'The form a hot tube is bent round; it sets the bend radius.' },
  {
    term: 'operating point',
    means: 'Where pump curve and loop resistance meet: the flow that settles.',
  },
  {
    term: 'pump margin',
    means: 'Head the pump has left at the wanted flow, as a share of what is needed.',
    unit: '%',
  },
  {
    term: 'push-pull',
    means: 'Fans on both sides of a radiator, blowing the same way.',
  },
  {
    term: 'section',
    means: 'A length of radiator for one fan: a 360 has three 120 mm sections.',
  },
  { term: 'terminal bridge', means: 'A plate that joins the terminals of two graphics cards.' },
  {
    term: 'verdict',
    means: 'OK (filled disc), marginal (half disc), fails (square with a bar), not checked (ring).',
  },
];
