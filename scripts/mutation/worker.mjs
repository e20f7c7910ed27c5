// Runs one bundle of tests in a thread of its own: a mutant may loop for ever, and is ended then.
import { parentPort, workerData } from 'node:worker_threads';
import { createRequire } from 'node:module';
import vm from 'node:vm';

const require = createRequire(`${workerData.root}/package.json`);
const loaded = { exports: {} };
try {
  vm.runInThisContext(
    `(function (module, exports, require, __dirname, __filename) {${workerData.code}\n})`,
  )(loaded, loaded.exports, require, `${workerData.root}/src`, `${workerData.root}/src/bundle.js`);
  parentPort.postMessage(await loaded.exports.run());
} catch (error) {
  parentPort.postMessage({ failed: 'loading', message: String(error?.message ?? error) });
}
