// Finds Debian's Chromium, installs it through apt when it may, or says what to install.
import { execSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const PLACES = [process.env.CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser'];

export function findChromium() {
  return PLACES.find((p) => p && existsSync(p)) ?? null;
}

export function ensureChromium() {
  const there = findChromium();
  if (there) return there;
  const root = process.getuid?.() === 0;
  if (root && existsSync('/usr/bin/apt-get')) {
    console.log('Installing Chromium through apt.');
    try {
      execSync(
        'apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends chromium',
        { stdio: ['ignore', 'ignore', 'inherit'] },
      );
    } catch {
      /* said below */
    }
  }
  return findChromium();
}

export const HOW =
  'Chromium is needed for the interface tests: on Debian, "sudo apt-get install chromium"; elsewhere set CHROMIUM to the path of one.';
