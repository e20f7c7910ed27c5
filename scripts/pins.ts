/**
 * Writes the figures that src/proof/pinned compares with: run it when a figure is meant to change,
 * and read the difference before it is committed.
 */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pin as bom } from '../src/proof/pinned/bom';
import { pin as clearance } from '../src/proof/pinned/clearance';
import { pin as corrosion } from '../src/proof/pinned/corrosion';
import { pin as hydraulics } from '../src/proof/pinned/hydraulics';
import { pin as thermal } from '../src/proof/pinned/thermal';
import { pin as tubing } from '../src/proof/pinned/tubing';
import { rounded } from '../src/proof/pinned/variants';

/** One entry a line, so that a difference can be read. */
function inLines(value: unknown): string {
  const line = (v: unknown): string => JSON.stringify(v);
  if (Array.isArray(value)) return `[\n${value.map(line).join(',\n')}\n]\n`;
  const entries = Object.entries(value as object).map(([k, v]) =>
    Array.isArray(v) ? `${line(k)}: ${inLines(v)}` : `${line(k)}: ${line(v)}`,
  );
  return `{\n${entries.join(',\n')}\n}\n`;
}

for (const [room, pin] of Object.entries({
  bom,
  clearance,
  corrosion,
  hydraulics,
  thermal,
  tubing,
})) {
  const path = join(import.meta.dirname, `../reference/pins-${room}.json`);
  writeFileSync(path, inLines(rounded(pin())));
  console.log(path);
}
