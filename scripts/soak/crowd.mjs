// Fifty people at work at once.
import { setTimeout as wait } from 'node:timers/promises';
import { App, percentile } from './app.mjs';

const CLIENTS = 50,
  EVERY_MS = 2000;

export async function run(share) {
  const seconds = Math.max(10, Math.round(60 * share));
  const app = await new App().start();
  const builds = [];
  for (let i = 0; i < CLIENTS; i += 1) builds.push(await app.newBuild('dawn-chorus-desk', `C${i}`));
  const took = [];
  let errors = 0,
    lost = 0;
  const until = Date.now() + seconds * 1000;
  await Promise.all(
    builds.map(async (build, i) => {
      let { revision } = build;
      let name = '';
      await wait((EVERY_MS * i) / CLIENTS);
      for (let k = 0; Date.now() < until; k += 1) {
        name = `Client ${i} edit ${k}`;
        const began = performance.now();
        const answer = await app
          .send('PUT', `/api/builds/${build.id}`, {
            revision,
            document: { ...build.document, name },
          })
          .catch(() => null);
        took.push(performance.now() - began);
        if (answer?.status === 200) ({ revision } = answer.body);
        else errors += 1;
        await wait(Math.max(0, EVERY_MS - (performance.now() - began)));
      }
      const { body } = await app.ask(`/api/builds/${build.id}`);
      if (body.document.name !== name) lost += 1;
    }),
  );
  await app.kill();
  const p99 = percentile(took, 0.99);
  return {
    asks: '50 clients, an edit each 2 s for 60 s: 0 errors, 0 lost, p99 at most 500 ms',
    figures: `${took.length} edits: ${errors} errors, ${lost} lost; median ${percentile(took, 0.5).toFixed(0)} ms, p99 ${p99.toFixed(0)} ms`,
    ok: errors === 0 && lost === 0 && p99 <= 500,
  };
}
