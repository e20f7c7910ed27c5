import type { Ended } from './backup';
import { run } from './run';

const [verb, ...args] = process.argv.slice(2);

/** The database is loaded only where it is wanted. */
async function ended(): Promise<Ended> {
  if (verb !== 'backup' && verb !== 'restore') return run(process.argv.slice(2));
  const { runBackup } = await import('./backup');
  return runBackup(verb, args);
}

void ended().then(({ code, out, err }) => {
  process.stdout.write(out);
  process.stderr.write(err);
  process.exitCode = code;
});
