import { applyEdit, componentName, type Design } from '../design';
import { analyse, type Analysis } from '../analysis';
import { improvedLayout, type ImprovedLayout, type SoFar } from '../layoutSearch';
import type { Tidiness } from '../routing';
import { msg } from '../messages';

/** A better layout with all it comes to, before and after. */
export interface BetterLayout extends ImprovedLayout {
  readonly design: Design;
  readonly tidiness: { readonly before: Tidiness; readonly after: Tidiness };
  /** What the list costs more; less where below 0, minor units. */
  readonly price_minor: number;
  /** What is moved or turned, or takes other ports, in words. */
  readonly moves: readonly string[];
  /** Findings that would be new, other than notes. */
  readonly worse: readonly string[];
}

/**
 * A layout with fewer bends and less tube, worked out whole: nothing it would make worse goes
 * unsaid. Null where the layout there is is as good as any found. `soFar` hears each that is better
 * than those before it.
 */
export function betterLayout(
  design: Design,
  tell: (done: number, of: number) => boolean = () => true,
  soFar?: SoFar<BetterLayout>,
): BetterLayout | null {
  const before = analyse(design);
  const found = improvedLayout(design, tell, soFar && ((f) => soFar(judged(design, before, f))));
  return found && judged(design, before, found);
}

function judged(design: Design, before: Analysis, found: ImprovedLayout): BetterLayout {
  const laid = applyEdit(design, found.edit).design;
  const after = analyse(laid);
  const known = new Set(before.findings.map((f) => f.code + f.subjects.join()));
  return {
    ...found,
    design: laid,
    tidiness: { before: before.reports.tidiness, after: after.reports.tidiness },
    price_minor: after.reports.bom.loopTotal - before.reports.bom.loopTotal,
    moves: [
      ...found.orders.map((o) => orderWords(design, o)),
      ...found.parts.map((p) => moveWords(design, p)),
    ],
    worse: after.findings
      .filter((f) => f.severity !== 'note' && !known.has(f.code + f.subjects.join()))
      .map((f) => f.title),
  };
}

function orderWords(design: Design, { loop, order }: ImprovedLayout['orders'][number]): string {
  const name = design.loops.find((l) => l.id === loop)?.name ?? loop;
  return msg`${name} runs in another order: ${order.map((id) => componentName(design, id)).join(', ')}`;
}

function moveWords(design: Design, p: ImprovedLayout['parts'][number]): string {
  const name = componentName(design, p.component);
  const turned = [...(p.turned ? [msg`turned`] : []), ...(p.slid ? [msg`moved along`] : [])];
  const ports = p.ports > 0 ? [msg`other ports`] : [];
  return `${name}: ${[...turned, ...ports].join(', ')}`;
}
