import { serverBack } from '@/engine/serverBack';

/**
 * Loads a piece of the page that comes when it is wanted. Without the server it waits for it, so
 * that what is shown already stays; rejects as `load` does where the server answers and still does
 * not have it.
 */
export async function untilLoaded<T>(load: () => Promise<T>): Promise<T> {
  try {
    return await load();
  } catch {
    await serverBack();
    return load();
  }
}
