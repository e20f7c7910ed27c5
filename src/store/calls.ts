import { backUp, restoreBackup } from './backup';
import {
  binBuild,
  createBuild,
  emptyBin,
  listBin,
  listBuilds,
  listMeasured,
  readAnyBuild,
  readBuild,
  removeBuild,
  restoreBuild,
  saveBuild,
  saveSummary,
  seedBuilds,
} from './builds';
import { copyOfDay } from './copies';
import { listHistory, nameMoment, readMoment } from './history';
import type { Store } from './open';
import { binPart, emptyPartBin, listBinnedParts, listParts, savePart, unbinPart } from './parts';
import { binPhoto, emptyPhotoBin, keepPhoto, listPhotos, readPhoto } from './photos';
import { listRetired, restorePart, retirePart } from './retired';

/** All that is asked of a store: what its thread answers. Arguments and results are plain data. */
export const CALLS = {
  backUp,
  binBuild,
  binPart,
  binPhoto,
  copyOfDay,
  createBuild,
  emptyBin,
  emptyPartBin,
  emptyPhotoBin,
  keepPhoto,
  listBin,
  listBinnedParts,
  listBuilds,
  listHistory,
  listMeasured,
  listParts,
  listPhotos,
  listRetired,
  nameMoment,
  readAnyBuild,
  readBuild,
  readMoment,
  readPhoto,
  removeBuild,
  restoreBackup,
  restoreBuild,
  restorePart,
  retirePart,
  saveBuild,
  savePart,
  saveSummary,
  seedBuilds,
  unbinPart,
} as const;

export type CallName = keyof typeof CALLS;
type ArgsOf<F> = F extends (store: Store, ...args: infer A) => unknown ? A : never;
type ResultOf<F> = F extends (...args: never[]) => Promise<infer R> ? R : never;

/** A store whose calls are answered elsewhere: in its own thread, or here. */
export type StoreClient = {
  readonly [K in CallName]: (
    ...args: ArgsOf<(typeof CALLS)[K]>
  ) => Promise<ResultOf<(typeof CALLS)[K]>>;
} & { close(): Promise<void> };

type Ask = (name: CallName, args: readonly unknown[]) => Promise<unknown>;

/** The calls by their names over any way of asking. */
export function clientOf(ask: Ask, close: () => Promise<void>): StoreClient {
  const calls = Object.fromEntries(
    (Object.keys(CALLS) as CallName[]).map((name) => [
      name,
      (...args: unknown[]) => ask(name, args),
    ]),
  );
  return { ...calls, close } as unknown as StoreClient;
}

/** Asks a store of this thread. */
export const askStore = (
  store: Store,
  name: CallName,
  args: readonly unknown[],
): Promise<unknown> =>
  (CALLS[name] as (store: Store, ...args: unknown[]) => Promise<unknown>)(store, ...args);

/** A store of this thread as a client: for the terminal and for tests. */
export const localClient = (store: Store): StoreClient =>
  clientOf(
    (name, args) => askStore(store, name, args),
    () => {
      store.close();
      return Promise.resolve();
    },
  );
