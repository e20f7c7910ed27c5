import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { AddressInfo } from 'node:net';
import { demoDesign } from '@/catalogue';
import { analyse } from '@/core/analysis';
import type { Design } from '@/core/design';
import { designToText } from '@/format';
import { Bench } from './bench';
import { deviceServer } from './server';
import type { BenchFault, Moment } from './types';

const desk = demoDesign('dawn-chorus-desk') as Design;
const steady = analyse(desk).reports;

/** Mean of many looks, once the machine has warmed up. */
function settled(bench: Bench): Readonly<Record<string, number>> {
  bench.advance(4 * 3600);
  const looks = Array.from({ length: 40 }, () => bench.read().values);
  return Object.fromEntries(
    Object.keys(looks[0] ?? {}).map((k) => [
      k,
      looks.reduce((s, l) => s + (l[k] ?? NaN), 0) / looks.length,
    ]),
  );
}

describe('a machine with instruments', () => {
  test('shows about what the build says, scattered and off its papers, the same for one seed', () => {
    const [a, b] = [settled(new Bench(desk, 3)), settled(new Bench(desk, 3))];
    expect(a).toEqual(b);
    const rise = (a['coolant/loop'] ?? NaN) - (a.room ?? NaN);
    const printed = steady.heat[desk.brief.loadCase].loops[0]?.deltaT_K ?? NaN;
    expect(Math.abs(rise / printed - 1)).toBeLessThan(0.4);
    expect(
      Math.abs((a['flow/loop'] ?? NaN) / (steady.flow.loops[0]?.flow_Lmin ?? NaN) - 1),
    ).toBeLessThan(0.3);
    const channels = new Bench(desk, 3).channels().map((c) => c.id);
    expect(channels).toEqual(expect.arrayContaining(Object.keys(a)));
  });

  test.each<readonly [BenchFault, string, 1 | -1]>([
    ['clog', 'flow/loop', -1],
    ['air', 'noise', 1],
    ['dust', 'coolant/loop', 1],
    ['dead fan', 'coolant/loop', 1],
    ['wrong sensor', 'coolant/loop', 1],
  ])('%s shows at %s', (fault, channel, sign) => {
    const sound = settled(new Bench(desk, 4));
    const bench = new Bench(desk, 4);
    bench.befall([fault]);
    const broken = settled(bench);
    expect(sign * ((broken[channel] ?? NaN) - (sound[channel] ?? NaN))).toBeGreaterThan(
      0.04 * Math.abs(sound[channel] ?? NaN),
    );
  });

  test('under air a leak is seen on the gauge, a tight loop holds', () => {
    const fallOf = (faults: readonly BenchFault[]): number => {
      const bench = new Bench(desk, 5);
      bench.befall(faults);
      bench.set({ gauge_mbar: 400 });
      bench.advance(30 * 60);
      return 400 - (bench.read().values['gauge/loop'] ?? NaN);
    };
    expect(fallOf([])).toBeLessThan(5);
    expect(fallOf(['leak'])).toBeGreaterThan(40);
  });
});

describe('the protocol', () => {
  const server = deviceServer(600);
  let base = '';
  beforeAll(async () => {
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(async () => {
    server.closeAllConnections();
    await new Promise((resolve) => server.close(resolve));
  });
  const post = async (what: string, body: string) => {
    const response = await fetch(`${base}/${what}`, { method: 'POST', body });
    return { status: response.status, answer: (await response.json()) as Record<string, unknown> };
  };

  test('a build in, channels out, moments as events', async () => {
    const empty = (await (await fetch(`${base}/devices`)).json()) as { channels: unknown[] };
    expect(empty.channels).toEqual([]);
    expect((await post('machine', designToText(desk))).status).toBe(200);
    expect((await post('controls', '{"fans":900,"load":"gaming"}')).answer).toEqual({ ok: true });
    const response = await fetch(`${base}/events`);
    expect(response.headers.get('content-type')).toBe('text/event-stream');
    const reader = response.body?.getReader();
    let text = '';
    while (!/data: .*\n/.test(text))
      text += new TextDecoder().decode((await reader?.read())?.value);
    await reader?.cancel();
    const moment = JSON.parse(/data: (.*)\n/.exec(text)?.[1] ?? '') as Moment;
    expect(moment.load).toBe('gaming');
    expect(moment.asked).toEqual({ fans: 900 });
    expect(moment.values['coolant/loop']).toBeGreaterThan(15);
  });

  test.each([
    ['machine', '{"format":"else"}'],
    ['machine', 'no json'],
    ['controls', '{"fans":-1}'],
    ['controls', '{}'],
    ['faults', '["leek"]'],
    ['faults', '{'],
  ])('%s refuses %s and says why', async (what, body) => {
    const { status, answer } = await post(what, body);
    expect(status).toBe(400);
    expect(String(answer.error).length).toBeGreaterThan(5);
  });

  test('anything else is not there', async () => {
    expect((await fetch(`${base}/etc`)).status).toBe(404);
  });
});
