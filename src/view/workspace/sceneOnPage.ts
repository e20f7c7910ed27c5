import { create } from 'zustand';
import { msg } from '@/core/messages';

/** What the scene on the page can give away. */
export interface SceneOnPage {
  png(): Promise<Blob | null>;
  glb(name: string): Promise<Blob | null>;
}

interface State {
  /** Null while none is drawn. */
  readonly scene: SceneOnPage | null;
  /** How many want one drawn out of sight. */
  readonly wanted: number;
  /** This browser cannot draw in space. */
  readonly isImpossible: boolean;
}

export const useSceneOnPage = create<State>()(() => ({
  scene: null,
  wanted: 0,
  isImpossible: false,
}));

/** Longest that a scene may take to be drawn, ms: without a graphics card it takes seconds. */
const LONGEST_MS = 60_000;

/** Twice, so that what is set in the first frame is drawn in the second. */
const framesDrawn = (): Promise<void> =>
  new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(() => resolve())));

function drawn(): Promise<SceneOnPage> {
  return new Promise((resolve, reject) => {
    const end = (): void => {
      clearTimeout(timer);
      stop();
    };
    const look = ({ scene, isImpossible }: State): void => {
      if (scene) resolve(scene);
      else if (isImpossible) reject(new Error(msg`This browser cannot draw in 3D: WebGL is off.`));
      if (scene || isImpossible) end();
    };
    const timer = setTimeout(() => {
      stop();
      reject(new Error(msg`The scene was not drawn in a minute. Try again with less open.`));
    }, LONGEST_MS);
    const stop = useSceneOnPage.subscribe(look);
    look(useSceneOnPage.getState());
  });
}

/**
 * Uses the scene as it stands on the page; where none is shown, one that is drawn out of sight for
 * as long. Rejects where the browser cannot draw.
 */
export async function withScene<T>(take: (scene: SceneOnPage) => Promise<T>): Promise<T> {
  const { scene } = useSceneOnPage.getState();
  if (scene) return take(scene);
  const count = (by: number): void =>
    useSceneOnPage.setState((s) => ({ wanted: s.wanted + by, isImpossible: false }));
  count(1);
  try {
    const made = await drawn();
    await framesDrawn();
    return await take(made);
  } finally {
    count(-1);
  }
}
