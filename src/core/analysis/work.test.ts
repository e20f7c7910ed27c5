import { expect, test } from '@jest/globals';
import { demoDesign } from '@/catalogue';
import type { Design } from '../design';
import { createSession } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const marked = (step: string) =>
  ({ do: 'work.mark', step, mark: { on: '2026-11-28T10:00:00Z' } }) as const;

test('a mark of the work makes nothing to be worked out anew, and the rail says how far it is', () => {
  const session = createSession(desk);
  const before = session.analysis();
  expect(before.stages.assembly).toEqual({ verdict: 'unchecked', result: 'not begun' });
  session.apply(marked('dry'));
  const after = session.analysis();
  expect(after.reports.heat).toBe(before.reports.heat);
  expect(after.reports.bom).toBe(before.reports.bom);
  expect(after.reports.runs).toBe(before.reports.runs);
  expect(after.system.placed).toBe(before.system.placed);
  expect(after.stages.assembly).toEqual({ verdict: 'unchecked', result: 'under way' });
  session.apply(marked('first run'));
  expect(session.analysis().stages.assembly).toEqual({ verdict: 'ok', result: 'first run made' });
  // What lies in the drawer does count.
  session.apply({ do: 'inventory.set', part: after.reports.bom.lines[0]?.part ?? '', count: 2 });
  expect(session.analysis().reports.bom).not.toBe(before.reports.bom);
});
