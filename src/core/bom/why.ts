/**
 * Places a line was asked for by, told whole where they are few: else the first, and how many more.
 */
export function shortWhy(why: string, most = 4): { readonly short: string; readonly more: number } {
  const places = why.split('; ');
  return places.length <= most
    ? { short: why, more: 0 }
    : { short: places.slice(0, most - 1).join('; '), more: places.length - most + 1 };
}
