import { afterAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { BARE_PART_LISTS, DEMO_BUILDS } from '@/catalogue';
import { createSession, publish } from '@/core/analysis';
import { EditError, type Design, type Edit } from '@/core/design';
import { designToText } from '@/format';
import { closePool } from '@/server/pool';
import { evaluateDocument } from '@/server';
import { run } from './run';

afterAll(closePool);

/** An edit of speeds, limits, places, connections or parts, by two numbers. */
function anyEdit(design: Design, a: number, b: number): Edit {
  const component = design.components[a % design.components.length]?.id ?? '';
  const loop = design.loops[0]?.id ?? '';
  const edits: readonly Edit[] = [
    { do: 'fans.speed', speed_rpm: 400 + ((a * 37) % 1600) },
    { do: 'component.rename', component, name: `Part ${b}` },
    { do: 'component.set', component, values: { speed_rpm: 600 + a * 20 } },
    { do: 'brief.set', values: { room_C: 15 + (a % 20), summer_C: 36 } },
    { do: 'brief.limit', values: { deltaT_K: 2 + (a % 20) } },
    { do: 'connection.remove', loop, connection: design.loops[0]?.connections[a % 5]?.id ?? '' },
    { do: 'component.remove', component },
    { do: 'design.rename', name: `Build ${a}` },
  ];
  return edits[b % edits.length] as Edit;
}

async function overHttp(design: Design): Promise<string> {
  const answer = await evaluateDocument(designToText(design), BARE_PART_LISTS);
  expect(answer.status).toBe(200);
  return (answer.body as { readonly text: string }).text;
}

function atTerminal(design: Design): string {
  const { out, code } = run(['evaluate', 'x', '--no-fixes'], () => designToText(design));
  expect(code).toBe(0);
  return JSON.stringify(JSON.parse(out));
}

describe('one figure by every door', () => {
  test('page, API and terminal say the same of any build after any edits, to the byte', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...DEMO_BUILDS.map((d) => d.design)),
        fc.array(fc.tuple(fc.nat(60), fc.nat(60)), { minLength: 1, maxLength: 4 }),
        async (start, steps) => {
          const page = createSession(start);
          page.analysis();
          for (const [a, b] of steps) {
            try {
              page.apply(anyEdit(page.design, a, b));
            } catch (error) {
              if (!(error instanceof EditError)) throw error;
            }
            page.analysis();
          }
          const shown = JSON.stringify(publish(page.design, page.analysis()));
          expect(await overHttp(page.design)).toBe(shown);
          expect(atTerminal(page.design)).toBe(shown);
        },
      ),
      { numRuns: 20, seed: 23 },
    );
  }, 120_000);
});
