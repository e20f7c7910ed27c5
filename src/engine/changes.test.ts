import { describe, expect, test } from '@jest/globals';
import { BARE_PART_LISTS, demoDesign } from '@/catalogue';
import { applyEdit, type Design, type Edit } from '@/core/design';
import { Changes } from './changes';
import { Replica } from './replica';

const desk = demoDesign('pocket-planetarium') as Design;
const rename = (name: string): Edit => ({ do: 'design.rename', name });

describe('what a replica has yet to hear', () => {
  test('first all there is, then only what is new', () => {
    const changes = new Changes(desk);
    expect(changes.take().map((c) => c.kind)).toEqual(['units', 'language', 'shelves', 'design']);
    changes.edited(desk, rename('One'));
    changes.offers(BARE_PART_LISTS);
    expect(changes.take().map((c) => c.kind)).toEqual(['edit', 'shelves']);
    expect(changes.take()).toEqual([]);
  });

  test('another design makes the edits before it needless', () => {
    const changes = new Changes(desk);
    changes.take();
    changes.edited(desk, rename('One'));
    changes.replaced(desk);
    changes.edited(desk, rename('Two'));
    expect(changes.take().map((c) => c.kind)).toEqual(['design', 'edit']);
  });

  test('with more than forty edits the whole is sent', () => {
    const changes = new Changes(desk);
    changes.take();
    for (let i = 0; i < 41; i += 1) changes.edited(desk, rename(`Name ${i}`));
    expect(changes.take().map((c) => c.kind)).toEqual(['units', 'language', 'shelves', 'design']);
  });

  test('a replica that hears them in any portions has the same design', async () => {
    const changes = new Changes(desk),
      replica = new Replica();
    let now = desk;
    for (let i = 0; i < 9; i += 1) {
      const edit: Edit =
        i % 2 ? rename(`Name ${i}`) : { do: 'fans.speed', speed_rpm: 800 + 20 * i };
      now = applyEdit(now, edit).design;
      changes.edited(now, edit);
      if (i % 4 === 1) await replica.follow(structuredClone(changes.take()));
    }
    await replica.follow(structuredClone(changes.take()));
    expect(replica.session?.design).toEqual(now);
  });
});
