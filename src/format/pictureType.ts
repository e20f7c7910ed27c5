/** First bytes of the pictures that are taken; `null` stands for any byte (each format's own standard). */
const SIGNATURES: readonly (readonly [type: string, bytes: readonly (number | null)[]])[] = [
  ['image/jpeg', [0xff, 0xd8, 0xff]],
  ['image/png', [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]],
  ['image/webp', [0x52, 0x49, 0x46, 0x46, null, null, null, null, 0x57, 0x45, 0x42, 0x50]],
];

/** What kind of picture bytes are, whatever they are said to be; null where they are none. */
export const pictureType = (bytes: Uint8Array): string | null =>
  SIGNATURES.find(([, signature]) =>
    signature.every((b, i) => b === null || bytes[i] === b),
  )?.[0] ?? null;
