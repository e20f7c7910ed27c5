import { runBackup } from './backup';
import { run } from './run';

const [verb, ...args] = process.argv.slice(2);
const result =
  verb === 'backup' || verb === 'restore'
    ? await runBackup(verb, args)
    : run(process.argv.slice(2));
process.stdout.write(result.out);
process.stderr.write(result.err);
process.exitCode = result.code;
