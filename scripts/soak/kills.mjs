// kill -9 of the server while it is written to.
import { readdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { App } from './app.mjs';

export async function run(share) {
  const kills = 20,
    edits = Math.round(1000 * share);
  const app = await new App().start();
  const build = await app.newBuild();
  let { revision } = build;
  let lost = 0,
    torn = 0,
    acknowledged = 0;
  let count = 0;
  for (let k = 0; k < kills; k += 1) {
    const killAt = Math.floor(Math.random() * edits);
    let inFlight = null;
    for (let i = 0; i < edits; i += 1) {
      count += 1;
      const document = { ...build.document, name: `Edit ${count}` };
      const put = app
        .send('PUT', `/api/builds/${build.id}`, { revision, document })
        .catch(() => null);
      if (i === killAt) {
        inFlight = count;
        await new Promise((r) => setTimeout(r, Math.random() * 12));
        await app.kill();
        await put;
        await app.start();
        const stands = await app.ask(`/api/builds/${build.id}`);
        const number = Number(/^Edit (\d+)$/.exec(stands.body?.document?.name ?? '')?.[1]);
        if (stands.status !== 200) torn += 1;
        else if (number < inFlight - 1) lost += inFlight - 1 - number;
        ({ revision } = stands.body);
        continue;
      }
      const answer = await put;
      if (answer?.status !== 200) throw new Error(`edit ${count}: ${JSON.stringify(answer)}`);
      acknowledged += 1;
      ({ revision } = answer.body);
    }
  }
  const folder = dirname(app.file);
  const size = readdirSync(folder)
    .filter((f) => f.startsWith('soak.db'))
    .reduce((sum, f) => sum + statSync(join(folder, f)).size, 0);
  await app.kill();
  const mb = (size / 1e6).toFixed(1);
  return {
    asks: '20 × kill -9 during 1,000 edits each: 0 lost, 0 torn; after 10,000 edits at most 12 MB with the log beside it',
    figures: `${acknowledged.toLocaleString('en')} edits acknowledged, ${kills} kills: ${lost} lost, ${torn} torn; database ${mb} MB`,
    ok: lost === 0 && torn === 0 && size <= 12e6,
  };
}
