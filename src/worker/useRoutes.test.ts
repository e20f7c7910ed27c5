import { describe, expect, test } from '@jest/globals';
import { demoBuild } from '@/catalogue';
import { applyEdit, type Build } from '@/core/build';
import { inSpace } from './useRoutes';

const tower = demoBuild('fenland-flood-tower') as Build;

describe('what the routing worker is asked', () => {
  test('holds what is to be kept visible, so that the page routes as the terminal does', () => {
    const shown = applyEdit(tower, {
      do: 'item.set',
      item: 'reservoir-1',
      values: { inView: false },
    }).build;
    expect(inSpace(shown)).not.toBe(inSpace(tower));
    expect(
      (JSON.parse(inSpace(shown)) as Build).items.find((i) => i.id === 'reservoir-1')?.settings,
    ).toEqual({ inView: false });
  });

  test('is the same whatever the speeds and the name', () => {
    const faster = applyEdit(applyEdit(tower, { do: 'fans.speed', speed_rpm: 999 }).build, {
      do: 'build.rename',
      name: 'Other',
    }).build;
    expect(inSpace(faster)).toBe(inSpace(tower));
  });
});
