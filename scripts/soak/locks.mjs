// Another program holds the database while it is written to.
import { spawn } from 'node:child_process';
import { App } from './app.mjs';

function lock(file, hold_ms) {
  const script = `const D=require('libsql');const d=new D(${JSON.stringify(file)},{timeout:8000});d.exec('BEGIN IMMEDIATE');console.log('held');setTimeout(()=>{d.exec('COMMIT');d.close();},${hold_ms});`;
  const child = spawn(process.execPath, ['-e', script], { stdio: ['ignore', 'pipe', 'inherit'] });
  return new Promise((resolve) => child.stdout.once('data', () => resolve(child)));
}

export async function run(share) {
  const holds_s = share < 1 ? [1, 6] : [1, 2, 4, 6, 10, 20];
  const app = await new App().start();
  const build = await app.newBuild();
  let { revision } = build;
  let count = 0,
    acknowledged = 0,
    refused = 0,
    lost = 0,
    slowestRead = 0;
  for (const hold of holds_s) {
    const child = await lock(app.file, hold * 1000);
    const gone = new Promise((resolve) => child.on('exit', resolve));
    let held = true;
    void gone.then(() => {
      held = false;
    });
    const reads = (async () => {
      while (held) {
        const began = performance.now();
        const { status } = await app.ask(`/api/builds/${build.id}`);
        if (status !== 200) throw new Error(`a read met ${status}`);
        slowestRead = Math.max(slowestRead, performance.now() - began);
        await new Promise((r) => setTimeout(r, 50));
      }
    })();
    let last = null;
    while (held || last === null) {
      count += 1;
      const document = { ...build.document, name: `Lock ${count}` };
      const answer = await app.send('PUT', `/api/builds/${build.id}`, { revision, document });
      if (answer.status === 200) {
        acknowledged += 1;
        last = count;
        ({ revision } = answer.body);
      } else {
        refused += 1;
        if (answer.status !== 503 || answer.body.trouble !== 'locked')
          throw new Error(JSON.stringify(answer));
      }
    }
    await reads;
    const stands = await app.ask(`/api/builds/${build.id}`);
    if (stands.body.document.name !== `Lock ${last}` || stands.body.revision !== revision)
      lost += 1;
  }
  await app.kill();
  return {
    asks: 'locks of 1 to 20 s: 0 acknowledged lost; reads go on',
    figures: `locks of ${holds_s.join(', ')} s: ${acknowledged} acknowledged, ${refused} refused with 503, ${lost} lost; slowest read meanwhile ${slowestRead.toFixed(0)} ms`,
    ok: lost === 0 && slowestRead < 1000,
  };
}
