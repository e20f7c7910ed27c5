import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { useSceneOnPage, withScene, type SceneOnPage } from './sceneOnPage';

const scene = (name: string): SceneOnPage => ({
  png: () => Promise.resolve(new Blob([name])),
  glb: () => Promise.resolve(null),
});
const textOf = (s: SceneOnPage): Promise<string> =>
  s.png().then((blob) => blob?.text() ?? 'nothing');

beforeEach(() => {
  Object.assign(globalThis, {
    requestAnimationFrame: (next: () => void) => setTimeout(next, 0),
  });
  useSceneOnPage.setState({ scene: null, wanted: 0, isImpossible: false });
});
afterEach(() => void jest.useRealTimers());

describe('a scene for an export', () => {
  test('is the one on the page, where one is', async () => {
    useSceneOnPage.setState({ scene: scene('shown') });
    expect(await withScene(textOf)).toBe('shown');
    expect(useSceneOnPage.getState().wanted).toBe(0);
  });

  test('is drawn out of sight where none is, for as long as it is used', async () => {
    const used = withScene(async (s) => [await textOf(s), useSceneOnPage.getState().wanted]);
    expect(useSceneOnPage.getState().wanted).toBe(1);
    useSceneOnPage.setState({ scene: scene('hidden') });
    expect(await used).toEqual(['hidden', 1]);
    expect(useSceneOnPage.getState().wanted).toBe(0);
  });

  test('is not waited for where the browser cannot draw, and may be asked for again', async () => {
    const used = withScene(textOf);
    useSceneOnPage.setState({ isImpossible: true });
    await expect(used).rejects.toThrow('cannot draw in 3D');
    expect(useSceneOnPage.getState().wanted).toBe(0);
    const again = withScene(textOf);
    useSceneOnPage.setState({ scene: scene('now') });
    expect(await again).toBe('now');
  });

  test('is given up after a minute, and not wanted any more', async () => {
    jest.useFakeTimers();
    const used = withScene(textOf);
    const refused = expect(used).rejects.toThrow('not drawn in a minute');
    await jest.advanceTimersByTimeAsync(59_000);
    expect(useSceneOnPage.getState().wanted).toBe(1);
    await jest.advanceTimersByTimeAsync(2000);
    await refused;
    expect(useSceneOnPage.getState().wanted).toBe(0);
  });

  test('what goes wrong with it ends the wish for it', async () => {
    const used = withScene(() => Promise.reject(new Error('lost')));
    useSceneOnPage.setState({ scene: scene('x') });
    await expect(used).rejects.toThrow('lost');
    expect(useSceneOnPage.getState().wanted).toBe(0);
  });
});
