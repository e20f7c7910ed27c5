import { msg, worded } from './messages';

/** A term of the trade with what it means here; `unit` where it is a quantity. */
export interface Term {
  readonly term: string;
  readonly means: string;
  readonly unit?: string;
}

/** The one glossary: shown by `?` in the app, and in docs/glossary.md. In the order of the alphabet. */
export const GLOSSARY: readonly Term[] = worded(() => [
  {
    term: msg`adapter`,
    means: msg`A piece between a port and a fitting: an extender, an elbow of 45° or 90°.`,
  },
  {
    term: msg`anodic index`,
    means: msg`How noble a metal is. Two wetted metals far apart on it corrode each other in one
      loop; the less noble one dissolves.`,
    unit: 'V',
  },
  {
    term: msg`brief`,
    means: msg`What the build must do: load case, room, coolant ΔT, noise, flow, budget.`,
  },
  {
    term: msg`case airflow`,
    means: msg`Air through fans and openings of the case, as one network of pressures.`,
    unit: 'm³/h',
  },
  {
    term: msg`chamber`,
    means: msg`A part of the case with air of its own, such as a basement or the space behind
      the tray.`,
  },
  {
    term: msg`clearance`,
    means: msg`Distance between two parts, or between a part and the case.`,
    unit: 'mm',
  },
  {
    term: msg`conductance`,
    means: msg`Heat that a radiator takes for each kelvin between coolant in and air in.`,
    unit: 'W/K',
  },
  {
    term: msg`coolant ΔT`,
    means: msg`Mean coolant temperature of a loop above room air, when everything has settled.`,
    unit: 'K',
  },
  {
    term: msg`direct connection`,
    means: msg`Two ports screwed together with a male-to-male fitting, without tube.`,
  },
  {
    term: msg`fin density`,
    means: msg`Fins of a radiator per inch: more need faster fans.`,
    unit: 'FPI',
  },
  {
    term: msg`finger clearance`,
    means: msg`Space round a fitting to tighten it by hand.`,
    unit: 'mm',
  },
  {
    term: msg`full-cover block`,
    means: msg`A block over processor, memory and regulators of a graphics card together.`,
  },
  {
    term: msg`head`,
    means: msg`Pressure of a pump as the height of water it could hold up.`,
    unit: 'm',
  },
  {
    term: msg`hot spot`,
    means: msg`The hottest place of a part that has a limit: a core, memory, a regulator.`,
    unit: '°C',
  },
  {
    term: msg`inline part`,
    means: msg`A filter, flow meter, valve, tee or sensor that sits in a run.`,
  },
  {
    term: msg`load case`,
    means: msg`How hard the parts work: idle, gaming, render, stress test or custom.`,
  },
  {
    term: msg`loop resistance`,
    means: msg`Pressure that all parts and tubes of a loop take at a flow (system curve).`,
    unit: 'kPa',
  },
  { term: msg`mandrel`, means: msg`The form a hot tube is bent round; it sets the bend radius.` },
  {
    term: msg`operating point`,
    means: msg`Where pump curve and loop resistance meet: the flow that settles.`,
  },
  {
    term: msg`pump margin`,
    means: msg`Head the pump has left at the wanted flow, as a share of what is needed.`,
    unit: '%',
  },
  {
    term: msg`push-pull`,
    means: msg`Fans on both sides of a radiator, blowing the same way.`,
  },
  {
    term: msg`section`,
    means: msg`A length of radiator for one fan: a 360 has three 120 mm sections.`,
  },
  {
    term: msg`terminal bridge`,
    means: msg`A plate that joins the terminals of two graphics cards.`,
  },
  {
    term: msg`verdict`,
    means: msg`OK (filled disc), marginal (half disc), fails (square with a bar), not checked
      (ring).`,
  },
]);
