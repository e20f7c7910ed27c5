import { slug } from '@/format';
import { downloadBlob } from '@/view/workspace';
import { sceneGlb, scenePng, type Shown } from './takeOut';

/** Saves what is drawn as a file: a picture as it is seen, or the machine in space. */
export async function saveScene(shown: Shown, name: string, as: 'png' | 'glb'): Promise<void> {
  const blob = await (as === 'png' ? scenePng(shown) : sceneGlb(shown, name));
  if (blob) downloadBlob(`${slug(name)}.${as}`, blob);
}
