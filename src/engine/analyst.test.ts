import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { BARE_PART_LISTS, demoDesign } from '@/catalogue';
import { analyse, tell } from '@/core/analysis';
import { applyEdit, type Design, type Edit } from '@/core/design';
import { coolingCurves } from '@/core/thermal';
import { showUnits } from '@/core/units';
import { ThreadAnalyst, WAKE_MS, type Heard, type Thread } from './analyst';
import { AnalystDesk } from './analystDesk';

const desk = demoDesign('pocket-planetarium') as Design;

/** A desk in a thread of its own, as far as it can be told: all that passes is a copy. */
function threadHere(calls: { count: number }, breaksAt = Infinity): Thread {
  const at = new AnalystDesk();
  return {
    analyse: async (changes) => {
      calls.count += 1;
      if (calls.count === breaksAt) throw new Error('out of memory');
      return structuredClone(await at.analyse(structuredClone(changes)));
    },
    curves: () => at.curves(),
    end: () => undefined,
  };
}

function open({ breaksAt = Infinity }: { readonly breaksAt?: number } = {}) {
  const calls = { count: 0 },
    heard: Heard[] = [],
    fail = jest.fn();
  let now: Design = desk;
  const analyst = new ThreadAnalyst(
    { design: desk, told: tell(analyse(desk)) },
    BARE_PART_LISTS,
    (next) => heard.push(next),
    fail,
    () => threadHere(calls, breaksAt),
  );
  return {
    analyst,
    calls,
    heard,
    fail,
    edit: (edit: Edit, start?: (work: () => void) => void): void => {
      now = applyEdit(now, edit).design;
      analyst.edited(now, edit, start);
    },
    now: () => now,
  };
}

const atSpeed = (speed_rpm: number): Edit => ({ do: 'fans.speed', speed_rpm });
/** Until all that was asked is answered. */
const settle = async (): Promise<void> => {
  for (let i = 0; i < 50; i += 1) await Promise.resolve();
  await new Promise((done) => setTimeout(done, 0));
};

afterEach(() => showUnits('metric'));

describe('the analyst of a page', () => {
  test('an edit is worked out, and told with the design that it is of', async () => {
    const { edit, heard, now } = open();
    edit(atSpeed(700));
    await settle();
    expect(heard).toHaveLength(1);
    expect(heard[0]?.design).toBe(now());
    expect(heard[0]?.told.reports.heat).toEqual(analyse(now()).reports.heat);
  });

  test('of many edits at once only the first and the last are worked out', async () => {
    const { edit, heard, calls, now } = open();
    for (let rpm = 700; rpm <= 1200; rpm += 10) edit(atSpeed(rpm));
    await settle();
    expect(calls.count).toBe(2);
    expect(heard.at(-1)?.design).toBe(now());
    expect(heard.at(-1)?.told.reports).toEqual(analyse(now()).reports);
  });

  test('an edit that is drawn ahead is worked out when its frame is drawn, or with the next', async () => {
    const { edit, heard, calls, now } = open();
    const drawn: (() => void)[] = [];
    edit(atSpeed(700), (work) => drawn.push(work));
    await settle();
    expect(calls.count).toBe(0);
    drawn.pop()?.();
    await settle();
    expect(heard.map((h) => h.design)).toEqual([now()]);

    edit(atSpeed(800), (work) => drawn.push(work));
    edit(atSpeed(900));
    drawn.pop()?.();
    await settle();
    expect(calls.count).toBe(2);
    expect(heard.at(-1)?.told.reports.heat).toEqual(analyse(now()).reports.heat);
  });

  test('what comes while it is closed is told once it is woken', async () => {
    const { analyst, edit, heard, now } = open();
    analyst.close();
    edit(atSpeed(700));
    analyst.wake();
    await settle();
    expect(heard.map((h) => h.design)).toEqual([now()]);
  });

  test('what it is woken with it does not say again', async () => {
    const { analyst, heard, calls } = open();
    analyst.wake();
    await new Promise((done) => setTimeout(done, WAKE_MS + 20));
    await settle();
    expect(calls.count).toBe(1);
    expect(heard).toEqual([]);
  });

  test('woken in other units it says all in those', async () => {
    const { analyst, heard } = open();
    showUnits('us');
    analyst.wake();
    await new Promise((done) => setTimeout(done, WAKE_MS + 20));
    await settle();
    expect(heard[0]?.told.words.units).toBe('us');
    expect(heard[0]?.told.stages.heat.result).toBe(analyse(desk).stages.heat.result);
  });

  test('a thread that breaks is told; the next edit is worked out by a new one, from the whole', async () => {
    const { edit, heard, fail, now } = open({ breaksAt: 2 });
    edit(atSpeed(700));
    await settle();
    edit(atSpeed(800));
    await settle();
    expect(fail).toHaveBeenCalledTimes(1);
    expect(heard).toHaveLength(1);
    edit({ do: 'design.rename', name: 'After the fall' });
    await settle();
    expect(heard.at(-1)?.design).toBe(now());
    expect(heard.at(-1)?.told.reports).toEqual(analyse(now()).reports);
  });

  test.each([
    ['is loaded when the server is back', [false, true], 0],
    ['is a fault where the server is there', [true], 1],
  ])('a thread that never answered %s', async (_, answers, faults) => {
    const asked = [...answers];
    globalThis.fetch = (() => Promise.resolve({ ok: asked.shift() })) as never;
    const { edit, heard, fail, now } = open({ breaksAt: 1 });
    edit(atSpeed(700));
    await settle();
    await settle();
    expect(fail).toHaveBeenCalledTimes(faults);
    expect(asked).toEqual([]);
    expect(heard.map((h) => h.design)).toEqual(faults ? [] : [now()]);
  });

  test('curves are asked of it before anything else, and then of what it last heard of', async () => {
    const { analyst, calls, edit, now } = open();
    const own = async () => (await analyst.curves())?.find((c) => c.id === 'now')?.points;
    const wanted = (design: Design) => {
      const { thermalModel, reports } = analyse(design);
      return coolingCurves(thermalModel, reports.flow, design.brief.loadCase)[0]?.points;
    };
    expect(await own()).toEqual(wanted(desk));
    expect(calls.count).toBe(1);
    edit({ do: 'brief.set', values: { room_C: 31 } });
    expect(await own()).toEqual(wanted(now()));
    analyst.close();
    expect(await analyst.curves()).toBeNull();
  });

  test('closed it says nothing more', async () => {
    const { analyst, edit, heard, fail } = open();
    edit(atSpeed(700));
    analyst.close();
    await settle();
    expect(heard).toEqual([]);
    expect(fail).not.toHaveBeenCalled();
  });

  test('another design in place of this one is worked out from nothing', async () => {
    const { analyst, heard } = open();
    const other = demoDesign('dawn-chorus-desk') as Design;
    analyst.replaced(other);
    await settle();
    expect(heard[0]?.told.reports).toEqual(analyse(other).reports);
  });
});
