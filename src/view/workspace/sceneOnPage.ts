import { create } from 'zustand';

/** What the scene on the page can give away; null while none is shown. */
export interface SceneOnPage {
  png(): Promise<Blob | null>;
  glb(name: string): Promise<Blob | null>;
}

export const useSceneOnPage = create<{ readonly scene: SceneOnPage | null }>()(() => ({
  scene: null,
}));
