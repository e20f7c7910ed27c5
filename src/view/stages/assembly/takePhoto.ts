/** Longest side of a kept photo, px, and how well it is packed. */
const LONGEST_PX = 1600;
const QUALITY = 0.82;

/**
 * A photo small enough to keep, without what a camera writes into it besides (place, owner). Rejects
 * with words for the builder where the browser cannot read it.
 */
export async function smallPhoto(file: Blob): Promise<Blob> {
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    throw new Error('This picture cannot be read here. Take it as JPEG, PNG or WebP.');
  }
  const scale = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const small = await new Promise<Blob | null>((resolve) =>
    canvas.toBlob(resolve, 'image/jpeg', QUALITY),
  );
  if (!small) throw new Error('This picture cannot be made smaller here.');
  return small;
}
