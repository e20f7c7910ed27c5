/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { CATALOGUE, catalogued, demoDesign, offered } from '@/catalogue';
import type { Design } from '@/core/design';
import type { PumpPart } from '@/core/components';
import { fieldsOf } from '@/format';
import { usePartLists } from '@/view/shared';
import { show, state } from '@/view/workspace/showInEditor';
import { CatalogueDrawer } from '@/view/workspace/CatalogueDrawer';
import { fieldWords } from './fieldWords';
import { optionalText, resized, withOptional } from './partChanges';
import { PartEditor } from './PartEditor';
import { SheetEntry } from './SheetEntry';

const desk = demoDesign('dawn-chorus-desk') as Design;
const own: PumpPart = {
  ...catalogued('pump', 'pump-brook-small'),
  id: 'own-pump',
  name: 'Attic pump',
  maker: 'my own',
};

/** A server that keeps what it is sent: parts by number, and numbers out of use. */
const kept = new Map<string, unknown>(),
  out = new Set<string>();
let away = false,
  refuses: string | null = null;
const reply = (status: number, body: unknown = null) => ({
  ok: status < 400,
  status,
  json: () => Promise.resolve(body),
});
const fetchBefore = globalThis.fetch;
beforeEach(() => {
  kept.clear();
  out.clear();
  away = false;
  refuses = null;
  usePartLists.setState({ partLists: { own: [], retired: [] }, asked: false });
  globalThis.fetch = ((address: string, init?: { method?: string; body?: string }) => {
    if (away) return Promise.reject(new Error('away'));
    const id = decodeURIComponent(address.split('/').pop() ?? ''),
      method = init?.method ?? 'GET';
    if (address === '/api/parts?own=1') return Promise.resolve(reply(200, [...kept.values()]));
    if (address === '/api/retired') return Promise.resolve(reply(200, [...out]));
    if (refuses)
      return Promise.resolve(
        reply(400, { error: refuses, troubles: [{ path: 'points', message: 'must fall' }] }),
      );
    if (address.startsWith('/api/retired/')) {
      if (method === 'PUT') out.add(id);
      else out.delete(id);
      return Promise.resolve(reply(204));
    }
    if (address.startsWith('/api/bin/part/') && id === own.id) {
      kept.set(id, own);
      return Promise.resolve(reply(204));
    }
    if (method === 'PUT') kept.set(id, JSON.parse(init?.body ?? 'null'));
    else kept.delete(id);
    return Promise.resolve(reply(200, { id }));
  }) as unknown as typeof fetch;
});
afterEach(() => {
  globalThis.fetch = fetchBefore;
});
const partLists = () => usePartLists.getState();

describe('what is offered', () => {
  test("one's own first, then the catalogue, less what is out of use", () => {
    expect(offered({ own: [], retired: [] })).toBe(CATALOGUE);
    const list = offered({ own: [own], retired: ['pump-brook-small'] });
    expect(list[0]).toBe(own);
    expect(list.length).toBe(CATALOGUE.length);
    expect(list.some((p) => p.id === 'pump-brook-small')).toBe(false);
    expect(offered({ own: [own], retired: ['own-pump'] }).some((p) => p.id === 'own-pump')).toBe(
      false,
    );
  });

  test('asked for once; kept, retired, brought back and thrown away, on the server as here', async () => {
    kept.set('own-pump', own);
    act(() => {
      partLists().load();
      partLists().load();
    });
    await waitFor(() => expect(partLists().partLists.own.map((p) => p.id)).toEqual(['own-pump']));
    expect(await partLists().retire('fan-wren-120-1200', true)).toBeNull();
    expect([...out]).toEqual(['fan-wren-120-1200']);
    expect(offered(partLists().partLists).some((p) => p.id === 'fan-wren-120-1200')).toBe(false);
    expect(await partLists().retire('fan-wren-120-1200', false)).toBeNull();
    expect(offered(partLists().partLists).some((p) => p.id === 'fan-wren-120-1200')).toBe(true);
    expect(await partLists().drop('own-pump')).toBeNull();
    expect(partLists().partLists.own).toEqual([]);
    expect(kept.size).toBe(0);
    expect(await partLists().putBack(own)).toBeNull();
    expect(partLists().partLists.own).toEqual([own]);
    expect([...kept.keys()]).toEqual(['own-pump']);
  });

  test('what the server refuses or does not hear is said, and nothing changes', async () => {
    refuses = 'This is not a part that can be kept.';
    expect(await partLists().keep(own)).toBe(
      'This is not a part that can be kept. points: must fall',
    );
    away = true;
    expect(await partLists().keep(own)).toMatch(/does not answer.*still here/);
    expect(partLists().partLists.own).toEqual([]);
  });

  test("a part of one's own is put into a build from the spare parts; the fixes offered follow", async () => {
    kept.set('own-pump', own);
    show(desk, <CatalogueDrawer />);
    await waitFor(() => expect(offered(partLists().partLists)[0]?.id).toBe('own-pump'));
    act(() => state.open('stores'));
    fireEvent.change(screen.getByRole('textbox', { name: 'Search the catalogue' }), {
      target: { value: 'attic' },
    });
    fireEvent.click(await screen.findByRole('button', { name: 'Add Attic pump' }));
    expect(state.design.components.find((i) => i.name === 'Attic pump')?.part).toEqual(own);
  });
});

describe("a part of one's own", () => {
  test('figures and curve are typed; what is no number or no curve cannot be kept', async () => {
    let done = false;
    show(
      desk,
      <PartEditor
        start={own}
        onDone={() => {
          done = true;
        }}
      />,
    );
    const keep = (): HTMLButtonElement =>
      screen.getByRole('button', { name: 'Save it to the catalogue' });
    fireEvent.change(screen.getByLabelText('fastest, rpm'), { target: { value: 'fast' } });
    expect(keep().disabled).toBe(true);
    expect(screen.getByRole('alert').textContent).toContain('fastest, rpm');
    fireEvent.change(screen.getByLabelText('fastest, rpm'), { target: { value: '3100' } });
    fireEvent.click(screen.getByRole('button', { name: 'Head over flow, at full speed' }));
    const points = screen.getByRole('textbox', { name: 'Points' });
    fireEvent.change(points, { target: { value: '0 2\nx' } });
    expect(keep().disabled).toBe(true);
    fireEvent.change(points, { target: { value: '0 2\n5 1.2\n9 0.1' } });
    fireEvent.change(screen.getByLabelText(/Where from/), { target: { value: 'attic bench' } });
    fireEvent.click(keep());
    await waitFor(() => expect(done).toBe(true));
    expect(kept.get('own-pump')).toMatchObject({
      fullSpeed_rpm: 3100,
      points: [
        [0, 2],
        [5, 1.2],
        [9, 0.1],
      ],
      pointsSource: 'attic bench',
    });
  });

  test('typed in other units, kept in from the catalogue', async () => {
    show(desk, <PartEditor start={own} onDone={() => undefined} />);
    fireEvent.click(screen.getByRole('button', { name: 'Head over flow, at full speed' }));
    fireEvent.change(screen.getByLabelText('Flow in'), { target: { value: 'gpm' } });
    fireEvent.change(screen.getByRole('textbox', { name: 'Points' }), {
      target: { value: '0 2\n2 0.5' },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Save it to the catalogue' }));
    await waitFor(() => expect(kept.has('own-pump')).toBe(true));
    // 1 US gallon is 3.785411784 L, by definition.
    expect((kept.get('own-pump') as PumpPart).points[1]?.[0]).toBeCloseTo(2 * 3.785411784, 6);
  });

  test('no field of any part of the catalogue shows a raw name', () => {
    const raw = CATALOGUE.flatMap((p) => fieldsOf(p).map(fieldWords)).filter((w) =>
      /_|[a-z]\.[a-z0-9]|\b\d$/.test(w),
    );
    expect([...new Set(raw)]).toEqual([]);
  });

  test('field names in words, units behind them', () => {
    expect(
      ['minFlow_Lmin', 'fullSpeed_rpm', 'size.2', 'price_minor', 'core.fpi'].map(fieldWords),
    ).toEqual(['least flow, L/min', 'fastest, rpm', 'size along z, mm', 'price', 'fins an inch']);
  });
});

describe('a datasheet pasted', () => {
  const paste = (text: string): void => {
    fireEvent.change(screen.getByLabelText("The maker's sheet, as text"), {
      target: { value: text },
    });
  };
  const keep = (): HTMLButtonElement => screen.getByRole('button', { name: 'Confirm and keep it' });

  test('each figure beside its words; what is not plain is asked before it can be kept', async () => {
    let done: string | null = null;
    render(<SheetEntry onDone={(part) => (done = part?.id ?? null)} />);
    expect(keep().disabled).toBe(true);
    paste(
      'Weir pump\nSpeed 1500 - 5000 rpm\nHead 5 m\nFlow 900 l/h\nPower 20 to 24 W\nSize 60 x 60 x 66',
    );
    expect(screen.getAllByText('\u201cSpeed 1500 - 5000 rpm\u201d')).toHaveLength(2);
    expect((screen.getByLabelText('Flow at no head') as HTMLInputElement).value).toBe('15');
    // A range and a size without a unit are asked.
    fireEvent.click(screen.getByRole('button', { name: '24 W' }));
    expect(keep().disabled).toBe(true);
    fireEvent.click(screen.getByRole('button', { name: 'mm' }));
    expect(keep().disabled).toBe(false);
    // What was read may be corrected.
    fireEvent.change(screen.getByLabelText('Head at no flow'), { target: { value: '4.5' } });
    fireEvent.click(keep());
    await waitFor(() => expect(done).toBe('own-weir-pump'));
    expect(kept.get('own-weir-pump')).toMatchObject({
      kind: 'pump',
      power_W: 24,
      size: [60, 60, 66],
      minSpeed_rpm: 1500,
      ratings: { head_m: 4.5, flow_Lmin: 15 },
    });
  });

  test('left, nothing is kept', () => {
    let left = false;
    render(<SheetEntry onDone={(part) => (left = part === null)} />);
    paste('Radiator 3 x 120 mm, 16 FPI, 30 mm thick');
    fireEvent.click(screen.getByRole('button', { name: 'Leave it' }));
    expect(left).toBe(true);
    expect(kept.size).toBe(0);
  });
});

describe('changes that carry others with them', () => {
  test('a radiator typed thicker: its ports stand on the new face', () => {
    const start = { ...catalogued('radiator', 'rad-tarn-360-30'), id: 'own-rad' };
    const thick = resized(start, 'size.2', 60);
    expect(thick?.kind === 'radiator' && thick.ports[0]?.at[2]).toBe(60);
    expect(resized(start, 'core.fpi', 20)).toBeNull();
  });

  test('what a block fits is typed by commas, and read back', () => {
    const { fits: _fits, ...bare } = catalogued('block', 'blk-quill-cpu');
    const typed = withOptional(bare, 'fits.patterns', '75 × 75 M4,  80 × 80 M3');
    expect(optionalText(typed, 'fits.patterns')).toBe('75 × 75 M4, 80 × 80 M3');
    const sticks = withOptional(typed, 'fits.sticks', '2 × 9, 4 × 9.5');
    expect(sticks.kind === 'block' && sticks.fits?.sticks).toEqual([
      { count: 2, pitch_mm: 9 },
      { count: 4, pitch_mm: 9.5 },
    ]);
    const card = withOptional(catalogued('card', 'gpu-kite-200'), 'layout', '');
    expect('layout' in card).toBe(false);
  });
});
