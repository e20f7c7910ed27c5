import type { Analysis } from '@/core/analysis';
import { findComponent, type Design } from '@/core/design';
import { looseParts } from '@/core/loops';
import type { PartKind } from '@/core/components';

import { counted, msg, worded } from '@/core/messages';
import type { StageId } from './stages';

/** What is to be done next, and what its button does. */
export interface NextStep {
  readonly text: string;
  readonly act:
    | { readonly do: 'stage'; readonly stage: StageId; readonly part?: string }
    | { readonly do: 'stores'; readonly kind: PartKind }
    | { readonly do: 'connect' }
    | { readonly do: 'route' }
    | { readonly do: 'findings' };
}

/** What a liquid-cooled machine cannot do without, in the order it is chosen. */
const NEEDED: readonly (readonly [PartKind, string])[] = worded(() => [
  ['board', msg`Add a board`],
  ['processor', msg`Add a processor`],
  ['supply', msg`Add a power supply`],
  ['block', msg`Add a block`],
  ['radiator', msg`Add a radiator`],
  ['fan', msg`Add fans`],
  ['pump', msg`Add a pump`],
  ['reservoir', msg`Add a reservoir`],
]);

/**
 * The one thing to do now, from the state of the build: first what is missing, then what has no
 * place, then the loop, the runs, what fails, what is marginal; then the list and the work itself.
 */
export function nextStep(design: Design, { system, reports, findings }: Analysis): NextStep {
  if (!design.case) return { text: msg`Choose a case`, act: { do: 'stage', stage: 'case' } };
  for (const [kind, text] of NEEDED)
    if (!design.components.some((c) => c.part.kind === kind))
      return { text, act: { do: 'stores', kind } };
  const [unplaced] = [...system.placed.values()].filter((p) => p.unplaced !== null);
  if (unplaced)
    return {
      text: msg`Place ${findComponent(design, unplaced.id)?.name ?? unplaced.id}`,
      act: { do: 'stage', stage: 'case', part: unplaced.id },
    };
  const bare = design.components.find(
    (c) =>
      c.part.kind === 'radiator' &&
      !system.mates.standingOn(c.id).some((id) => findComponent(design, id)?.part.kind === 'fan'),
  );
  if (bare) return { text: msg`Put fans on ${bare.name}`, act: { do: 'stores', kind: 'fan' } };
  if (design.loops.length === 0 && looseParts(design).length >= 2)
    return { text: msg`Connect the loop`, act: { do: 'connect' } };
  // What was tried and found no way is a failing check, with its ways out.
  const unrouted = reports.runs.filter(
    (r) => r.by === 'tube' && r.estimated && !(r.id in design.layout.noRoute),
  ).length;
  if (unrouted > 0)
    return { text: msg`Route ${counted(unrouted, '# run', '# runs')}`, act: { do: 'route' } };
  const fails = findings.filter((f) => f.severity === 'fails'),
    marginal = findings.filter((f) => f.severity === 'marginal');
  const [first] = fails;
  if (first)
    return {
      text:
        fails.length === 1 ? msg`Solve: ${first.title}` : msg`Solve ${fails.length} failing checks`,
      act: { do: 'findings' },
    };
  if (marginal.length > 0)
    return {
      text: msg`Look at ${counted(marginal.length, '# marginal check', '# marginal checks')}`,
      act: { do: 'findings' },
    };
  const bought = Object.values(design.choices.orders ?? {});
  if (bought.length === 0)
    return { text: msg`Ready to order: open the list`, act: { do: 'stage', stage: 'parts' } };
  return { text: msg`Build it, step by step`, act: { do: 'stage', stage: 'assembly' } };
}
