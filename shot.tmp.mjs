import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { ensureChromium } from './scripts/chromium.mjs';
const PORT = 4397;
const server = spawn(process.execPath, ['scripts/serve.mjs', '127.0.0.1', String(PORT)], { stdio: 'ignore', env: { ...process.env, DATABASE_URL: `file:${join(mkdtempSync(join(tmpdir(), 'z-')), 's.db')}`, NODE_ENV: 'production' } });
for (let i = 0; i < 80; i += 1) { try { if ((await fetch(`http://127.0.0.1:${PORT}/api/builds`)).ok) break; } catch {} await new Promise((r) => setTimeout(r, 250)); }
const browser = await chromium.launch({ executablePath: ensureChromium(), args: ['--no-sandbox', '--disable-gpu', '--enable-unsafe-swiftshader'] });
const ctx = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce', serviceWorkers: 'block' });
const page = await ctx.newPage();
const { default: run } = await import(process.argv[2]);
try { await run(page, `http://127.0.0.1:${PORT}`); } catch (e) { console.error(String(e).slice(0, 600)); await page.screenshot({ path: '/tmp/fail.png' }); }
await browser.close(); server.kill(); process.exit(0);
