/** EPANET's names: at most 31 characters, no blanks, quotes or semicolons. */
const LONGEST = 31;

export interface ShortIds {
  short(loop: string, id: string): string;
  readonly maps: readonly (readonly [short: string, long: string])[];
}

/** Names that EPANET takes, each unlike the others; what had to change is told as pairs. */
export function shortIds(ids: readonly (readonly [loop: string, id: string])[]): ShortIds {
  const used = new Set<string>();
  const known = new Map<string, string>();
  const maps: (readonly [string, string])[] = [];
  for (const [loop, id] of ids) {
    const clean = id.replace(/[\s";]/g, '_');
    let name = clean.slice(0, LONGEST);
    for (let i = 1; used.has(name.toLowerCase()); i += 1) {
      const tail = `~${i}`;
      name = clean.slice(0, LONGEST - tail.length) + tail;
    }
    used.add(name.toLowerCase());
    known.set(`${loop}\n${id}`, name);
    if (name !== id) maps.push([name, id]);
  }
  return { short: (loop, id) => known.get(`${loop}\n${id}`) ?? id, maps };
}
