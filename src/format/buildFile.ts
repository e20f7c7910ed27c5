import type { Design } from '@/core/design';

/** A build as its file: readable JSON, one document. */
export const designToText = (design: Design): string => `${JSON.stringify(design, null, 1)}\n`;

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
