// Installs the project's packages when they are missing or were installed for another lock file.
import { createHash } from 'node:crypto';
import { execSync } from 'node:child_process';
import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs';

const STAMP = 'node_modules/.zephyron-installed';
const HIDDEN_LOCK = 'node_modules/.package-lock.json';
const wanted = createHash('sha256').update(readFileSync('package-lock.json')).digest('hex');

/**
 * Installed here: the stamp says for which lock file. Installed by hand: npm's own record is newer
 * than the lock file.
 */
function ready() {
  if (!existsSync('node_modules/.bin/next')) return false;
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return true;
  return (
    existsSync(HIDDEN_LOCK) &&
    statSync(HIDDEN_LOCK).mtimeMs >= statSync('package-lock.json').mtimeMs
  );
}

if (!ready()) {
  console.log('Installing packages, a few minutes the first time.');
  execSync('npm ci --no-audit --no-fund --loglevel=error', {
    stdio: 'inherit',
    env: { ...process.env, PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1', NEXT_TELEMETRY_DISABLED: '1' },
  });
  writeFileSync(STAMP, wanted);
}
