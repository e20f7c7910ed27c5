import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { clientOf, type StoreClient } from './calls';
import { databaseUrl } from './open';
import type { StoreAnswer, StoreAsked } from './thread';
import { StoreTroubleError } from './trouble';

/** Calls that may wait for the one thread; a queue of more means that it does not come back. */
const MOST_WAITING = 2000;

/**
 * The store in a thread of its own, opened with the first call. Each call rejects with
 * StoreTroubleError when the database cannot be opened, read or written.
 */
export function storeInThread(url = databaseUrl()): StoreClient {
  const thread = new Piscina({
    filename: pathToFileURL(join(process.cwd(), 'dist', 'store.mjs')).href,
    minThreads: 1,
    maxThreads: 1,
    // Calls are asynchronous in the thread too: one that waits for a lock lets the next go ahead.
    concurrentTasksPerWorker: MOST_WAITING,
    maxQueue: MOST_WAITING,
    atomics: 'disabled',
  });
  return clientOf(
    async (name, args) => {
      const asked: StoreAsked = { url, name, args };
      const answer = (await thread.run(asked)) as StoreAnswer;
      if (!answer.ok) throw new StoreTroubleError(answer.trouble);
      return answer.value;
    },
    () => thread.destroy(),
  );
}
