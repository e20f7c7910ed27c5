import { msg, worded } from '../messages';
import type { CautionId } from './step';

/** What can hurt, in full; shown at the steps it belongs to. */
export const CAUTIONS: Readonly<
  Record<CautionId, { readonly title: string; readonly text: string }>
> = worded(() => ({
  mains: {
    title: msg`Mains`,
    text: msg`Unplug and wait before touching wiring. Running a power supply outside a running
      machine to power the pump is done only as its maker describes, with nothing else
      connected; anything on the mains side is for a qualified electrician under local rules.`,
  },
  air: {
    title: msg`Air pressure`,
    text: msg`Stay at or below the lowest rating in the loop (often about 0.5 bar). Clear
      plastic can burst: wear eye protection.`,
  },
  cutting: {
    title: msg`Heat gun and cutting`,
    text: msg`Burns, fire, fumes: ventilate. Saws, snips and cut sheet metal: gloves, eye
      protection, deburr.`,
  },
  coolant: {
    title: msg`Coolants`,
    text: msg`Ethylene glycol is toxic, to pets above all; biocides irritate. Read the safety
      sheet, keep away from children, dispose of it by local rules.`,
  },
  leaks: { title: msg`Leaks`, text: msg`Power off, unplug, dry fully before powering again.` },
  lifting: {
    title: msg`Lifting`,
    text: msg`A filled case is heavy and must not be carried by its radiators or tubes.`,
  },
  warranty: {
    title: msg`Warranty and return windows`,
    text: msg`Many makers void a warranty when a cooler is removed. Check before opening
      anything, and test used parts dry first.`,
  },
}));
