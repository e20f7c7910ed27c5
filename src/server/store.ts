import { DEMO_BUILDS } from '@/catalogue';
import { storeInThread, type StoreClient } from '@/store';

/** The store and when the housekeeping of the day was last done. */
interface Held {
  client?: StoreClient;
  ready?: Promise<StoreClient>;
  keptAt?: number;
}
const held = ((globalThis as unknown as { zephyronStore?: Held }).zephyronStore ??= {});

const DAY_MS = 86_400_000;

/**
 * The one store of this process, in its own thread, migrated and with the demo builds in it.
 * Rejects with StoreTroubleError while the database is in trouble; the next request tries again.
 */
export async function theStore(): Promise<StoreClient> {
  held.ready ??= opened();
  held.ready.catch(() => {
    delete held.ready;
  });
  const client = await held.ready;
  houseKeeping(client);
  return client;
}

async function opened(): Promise<StoreClient> {
  const client = (held.client ??= storeInThread());
  try {
    await client.seedBuilds(
      DEMO_BUILDS.map((d) => ({
        name: d.name,
        title: d.design.name,
        document: JSON.stringify(d.design),
      })),
      Date.now(),
    );
  } catch (error) {
    // A database that cannot be written is read all the same, if there is one to read.
    await client.listBuilds({ limit: 1, offset: 0, search: '' }).catch(() => {
      throw error;
    });
  }
  return client;
}

/** Once a day: the copy of the day, and out of the bin what lay there for its thirty days. */
function houseKeeping(client: StoreClient): void {
  const now = Date.now();
  if (held.keptAt !== undefined && now - held.keptAt < DAY_MS) return;
  held.keptAt = now;
  void (async () => {
    await client.copyOfDay(now);
    await client.emptyBin(now);
    await client.emptyPartBin(now);
    await client.emptyPhotoBin(now);
  })().catch((error: unknown) => console.error('housekeeping', error));
}

/** Ends the store's thread: for tests, and when the server goes down. */
export async function closeStore(): Promise<void> {
  const { client } = held;
  delete held.client;
  delete held.ready;
  delete held.keptAt;
  await client?.close();
}
