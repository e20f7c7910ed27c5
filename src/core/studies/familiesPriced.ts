import { buildBom } from '../bom';
import type { FittingPart } from '../components';
import { applyEdit, withoutRoutes, type Design } from '../design';
import { runsOf } from '../routing';
import { compileSystem } from '../system';
import { familyChange, familyOf, type FamilyChange } from './family';

/** All fittings of a build changed for a family: how, what is not in it, and what it comes to. */
export interface FamilyPriced extends FamilyChange {
  readonly family: string;
  /** Whether all that can be of it is already. */
  readonly isAll: boolean;
  /** The list's sum for the loop against now, minor units; runs are estimated on both sides. */
  readonly more_minor: number;
}

/** Every family that is offered. */
export function familiesPriced(
  design: Design,
  fittings: readonly FittingPart[],
): readonly FamilyPriced[] {
  const now = costOf(design);
  return [...new Set(fittings.map(familyOf))].map((family) => {
    const change = familyChange(design, family, fittings);
    const next = applyEdit(design, change.edit).design;
    const isAll = change.edit.do === 'batch' && change.edit.edits.length === 0;
    return { ...change, family, isAll, more_minor: isAll ? 0 : costOf(next) - now };
  });
}

function costOf(design: Design): number {
  const system = compileSystem(withoutRoutes(design));
  return buildBom(system, runsOf(system)).loopTotal;
}
