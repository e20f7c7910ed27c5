import { BUILD_BYTES, type Design } from '@/core/design';

/** A build as its file: readable JSON, one document. */
/**
 * A design as the text of its file: indented for the eye, or in one line where that would make it
 * too large to be read again.
 */
export function designToText(design: Design): string {
  const indented = `${JSON.stringify(design, null, 1)}\n`;
  return new TextEncoder().encode(indented).byteLength <= BUILD_BYTES
    ? indented
    : JSON.stringify(design);
}

/**
 * "Dawn chorus desk" → "dawn-chorus-desk.zephyron.json". Only letters, digits and dashes survive.
 */
export const buildFileName = (name: string): string => `${slug(name)}.zephyron.json`;

export const slug = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60) || 'build';
