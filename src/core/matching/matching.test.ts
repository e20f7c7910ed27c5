import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, catalogued, DEMO_BUILDS, demoDesign } from '@/catalogue';
import { evaluate } from '../analysis';
import { defaultPlacements } from '../checks';
import type { BlockPart, BoardPart, MemoryPart, ProcessorPart } from '../components';
import { applyEdit, type Design, type Edit } from '../design';
import { blockOn, fitOf, hostsFor, matchesOf } from '.';

const desk = demoDesign('dawn-chorus-desk') as Design;
const tower = demoDesign('fenland-flood-tower') as Design;
const edited = (design: Design, ...edits: readonly Edit[]): Design =>
  edits.reduce((d, e) => applyEdit(d, e).design, design);
const put = (component: string, part: Parameters<typeof catalogued>): Edit =>
  ({ do: 'component.replace', component, part: catalogued(...part) }) as Edit;
const block = (id: string): BlockPart => catalogued('block', id);
const board = catalogued('board', 'brd-barnacre-atx');

describe('parts that belong together', () => {
  test('every pair of every demo is known and fits', () => {
    for (const { design } of DEMO_BUILDS) {
      const matches = matchesOf(design);
      expect(matches.length).toBeGreaterThan(3);
      expect(matches.map((m) => [m.holder.id, m.held.id, m.verdict])).toEqual(
        matches.map((m) => [m.holder.id, m.held.id, 'fits']),
      );
    }
  });

  /** The mistakes that builders tell of (common practice, no source). */
  test.each<readonly [string, Design, RegExp]>([
    [
      'a cover for a short card on a long one',
      edited(desk, put('card-block', ['block', 'blk-quill-card-s'])),
      /made for K-short \(card layout\); Kite 200 has K-long/,
    ],
    [
      'a block whose bracket does not meet a large processor',
      edited(
        tower,
        put('processor', ['processor', 'cpu-lantern-24']),
        put('processor-block', ['block', 'blk-quill-cpu-low']),
      ),
      /made for 75 × 75 M4 \(mounting pattern\); .* has 118 × 92 M4/,
    ],
    [
      'a processor that the board has no seat for',
      edited(desk, put('processor', ['processor', 'cpu-lantern-24'])),
      /made for 75 × 75 M4 \(mounting pattern\)/,
    ],
    [
      'four sticks in a board with two slots',
      edited(demoDesign('pocket-planetarium') as Design, put('memory', ['memory', 'mem-stack-4'])),
      /made for 2 slots \(memory slots\); .* has 4 sticks/,
    ],
  ])('%s fails, and what is offered fits', (_, design, words) => {
    const { findings } = evaluate(design, { fixes: true, offer: CATALOGUE });
    const hits = findings.filter((f) => f.code === 'fit.pair');
    const hit = hits.find((f) => words.test(f.detail));
    expect(hit?.severity).toBe('fails');
    expect(hit?.fixes.length).toBeGreaterThan(0);
    for (const { edit } of hit?.fixes ?? []) {
      const after = matchesOf(edited(design, edit)).filter((m) => m.verdict === 'misfits');
      expect(after.length).toBeLessThan(hits.length);
    }
  });

  test('a whole-board block asks for the board too, not only the processor', () => {
    const mono = edited(
      tower,
      put('board', ['board', 'brd-barnacre-micro']),
      put('processor', ['processor', 'cpu-lantern-8']),
    );
    const pairs = matchesOf(mono).filter((m) => m.holder.id === 'processor-block');
    expect(pairs.map((m) => [m.held.part.kind, m.verdict])).toEqual([
      ['processor', 'fits'],
      ['board', 'misfits'],
    ]);
  });

  test('sticks by count and by the pitch of the board', () => {
    const two = block('blk-quill-memory'),
      four = block('blk-hearth-memory');
    const of = (id: string): MemoryPart => catalogued('memory', id);
    expect(blockOn(two, of('mem-stack-2'), board)?.verdict).toBe('fits');
    expect(blockOn(two, of('mem-stack-4'), board)?.verdict).toBe('misfits');
    expect(blockOn(four, of('mem-stack-4'), board)?.verdict).toBe('fits');
    const wide: BoardPart = { ...board, memory: { slots: 4, pitch_mm: 9.5 } };
    expect(blockOn(two, of('mem-stack-2'), wide)?.verdict).toBe('misfits');
    expect(fitOf(board, of('mem-stack-4')).verdict).toBe('fits');
  });

  test('what no data tell is not checked: never a fit', () => {
    const { fits: _fits, ...bare } = block('blk-hearth-cpu');
    const lantern: ProcessorPart = catalogued('processor', 'cpu-lantern-8');
    const { pattern: _pattern, ...odd } = lantern;
    expect(blockOn(bare, lantern, board)?.verdict).toBe('unknown');
    expect(blockOn(block('blk-hearth-cpu'), odd, board)).toMatchObject({
      verdict: 'unknown',
      has: null,
    });
    expect(blockOn(block('blk-hearth-card'), lantern, board)).toBeNull();
    const { memory: _memory, ...silent } = board;
    expect(fitOf(silent, catalogued('memory', 'mem-stack-2')).verdict).toBe('unknown');
  });

  test('a bracket that is sold apart is named', () => {
    const large = catalogued('processor', 'cpu-lantern-24');
    expect(blockOn(block('blk-quill-cpu'), large, board)?.bracket).toBe('Quill Wide bracket');
    expect(blockOn(block('blk-hearth-cpu'), large, board)?.bracket).toBeUndefined();
  });

  test('a new block goes on what it is made for, whatever was added first', () => {
    const short = catalogued('card', 'gpu-kite-160s');
    const bare = edited(
      desk,
      { do: 'component.remove', component: 'card-block' },
      {
        do: 'component.add',
        component: {
          id: 'second',
          name: 'Second card',
          part: short,
          placement: { on: 'slot', slot: 5 },
          settings: {},
        },
      },
    );
    const cover = block('blk-quill-card-s');
    expect(hostsFor(bare, cover).map((h) => [h.host.id, h.verdict])).toEqual([
      ['second', 'fits'],
      ['card', 'misfits'],
    ]);
    expect(defaultPlacements(bare, { id: 'new', part: cover }).map((p) => p.placement)).toEqual([
      { on: 'component', component: 'second' },
    ]);
  });
});
