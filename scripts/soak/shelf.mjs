// Two thousand builds on the list.
import { App, percentile } from './app.mjs';

export async function run(share) {
  const count = Math.round(2000 * share);
  const app = await new App().start();
  const { document } = await app.newBuild();
  for (let i = 0; i < count; i += 1)
    await app.send('POST', '/api/builds', { ...document, name: `Reed ${i}` });
  // Their summaries are worked out meanwhile; pages are asked for when that has settled.
  const took = [],
    api = [];
  await app.ask('/');
  for (let i = 0; i < 30; i += 1) {
    const began = performance.now();
    const { status } = await app.ask('/');
    took.push(performance.now() - began);
    if (status !== 200) throw new Error(`the page answers ${status}`);
    const then = performance.now();
    await app.ask('/api/builds');
    api.push(performance.now() - then);
  }
  await app.kill();
  const page = percentile(took, 0.5);
  return {
    asks: '2,000 builds: the first page within 100 ms',
    figures: `${count.toLocaleString('en')} builds: page median ${page.toFixed(0)} ms, slowest of 30 ${Math.max(...took).toFixed(0)} ms; list over the API ${percentile(api, 0.5).toFixed(0)} ms`,
    ok: page <= 100,
  };
}
