// The browser killed right after an edit; one and two tabs, the server there and away.
import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { chromium } from '@playwright/test';
import { App } from './app.mjs';

const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

const launch = (profile) =>
  chromium.launchPersistentContext(profile, {
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ARGS,
    viewport: { width: 1280, height: 800 },
  });

/** Every process of a browser with this profile, at once. */
function killBrowser(profile) {
  try {
    execFileSync('pkill', ['-9', '-f', profile]);
  } catch {
    /* gone already */
  }
}

async function open(context, address, id, stage) {
  const page = await context.newPage();
  await page.goto(`${address}/builds/${id}/${stage}`);
  await page.locator('[data-awake="true"]').waitFor();
  // The outbox is read a moment after the page is awake; edits before then wait for it.
  await wait(150);
  return page;
}

async function rename(page, name) {
  const field = page.getByLabel('Name of the build');
  await field.fill(name);
  await field.press('Enter');
}

const nameIn = async (page, wanted) => {
  const field = page.getByLabel('Name of the build');
  for (let i = 0; i < 100; i += 1) {
    if ((await field.inputValue()) === wanted) return true;
    await wait(40);
  }
  return false;
};

async function setRoom(page, room_C) {
  const field = page.getByLabel('Room', { exact: false }).first();
  await field.fill(String(room_C));
  await field.press('Enter');
}

export async function run(share) {
  const rounds = Math.round(50 * share);
  const app = await new App().start();
  let lost = 0,
    conflicts = 0;
  for (let i = 0; i < rounds; i += 1) {
    const isTwo = i % 2 === 1,
      isAway = i % 4 >= 2;
    const profile = mkdtempSync(join(tmpdir(), 'zephyron-browser-'));
    const build = await app.newBuild('dawn-chorus-desk', `Start ${i}`);
    const context = await launch(profile);
    const page = await open(context, app.address, build.id, 'brief');
    const other = isTwo ? await open(context, app.address, build.id, 'brief') : null;
    if (isAway) await app.kill();
    const name = `Edit ${i}`,
      room = 25 + (i % 10);
    if (other) await setRoom(other, room);
    await page.bringToFront();
    await rename(page, name);
    await wait(Math.random() * 50);
    killBrowser(profile);
    await context.close().catch(() => undefined);
    if (isAway) await app.start();
    const again = await launch(profile);
    const back = await open(again, app.address, build.id, 'brief');
    if ((await back.getByText('Both versions are still there').count()) > 0) conflicts += 1;
    const hasName = await nameIn(back, name);
    let hasRoom = true;
    if (other) {
      for (let k = 0; k < 100; k += 1) {
        const { body } = await app.ask(`/api/builds/${build.id}`);
        hasRoom = body.document.brief.room_C === room && body.document.name === name;
        if (hasRoom) break;
        await wait(60);
      }
    }
    if (!hasName || !hasRoom) {
      lost += 1;
      console.error(`round ${i}: name ${hasName}, room ${hasRoom}, two ${isTwo}, away ${isAway}`);
    }
    killBrowser(profile);
    await again.close().catch(() => undefined);
  }
  await app.kill();
  return {
    asks: 'browser killed within 50 ms of an edit, 50 times, one and two tabs, server up and down: 0 lost',
    figures: `${rounds} kills: ${lost} with an edit lost, ${conflicts} asked to choose`,
    ok: lost === 0,
  };
}
