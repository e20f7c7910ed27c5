import { run } from './run';

const result = run(process.argv.slice(2));
process.stdout.write(result.out);
process.stderr.write(result.err);
process.exitCode = result.code;
