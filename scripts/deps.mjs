// Installs the project's packages when they are missing or older than the lock file.
import { execSync } from 'node:child_process';
import { existsSync, statSync, writeFileSync } from 'node:fs';

const stamp = 'node_modules/.zephyron-installed';
const lock = statSync('package-lock.json').mtimeMs;
const ready = existsSync('node_modules/.bin/next') && (!existsSync(stamp) || statSync(stamp).mtimeMs >= lock || process.env.CI !== 'true');
if (!ready) {
  console.log('Installing packages, a few minutes the first time.');
  execSync('npm ci --no-audit --no-fund --loglevel=error', { stdio: 'inherit', env: { ...process.env, PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1', NEXT_TELEMETRY_DISABLED: '1' } });
  writeFileSync(stamp, new Date().toISOString());
}
