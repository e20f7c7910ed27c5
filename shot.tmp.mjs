import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';
import { ensureChromium } from './scripts/chromium.mjs';
import { mkdtempSync } from 'node:fs';
const dir = mkdtempSync('/tmp/shot-');
const port = 4719;
const server = spawn('node', ['scripts/serve.mjs', '127.0.0.1', String(port)], { env: { ...process.env, ZEPHYRON_DEVICES: 'http://127.0.0.1:4720', DATABASE_URL: `file:${dir}/z.db` }, stdio: 'inherit' });
const base = `http://127.0.0.1:${port}`;
for (let i = 0; i < 60; i++) { try { const r = await fetch(base); if (r.ok) break; } catch {} await new Promise(r => setTimeout(r, 500)); }
const browser = await chromium.launch({ executablePath: await ensureChromium(), args: ['--no-sandbox'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const steps = (await import(process.argv[2])).default;
try { await steps(page, base); } finally { await browser.close(); server.kill(); }
