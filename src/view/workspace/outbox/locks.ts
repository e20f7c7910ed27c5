/** Held until let go of, or until its window is gone. */
export interface Held {
  release(): void;
}

/** How long a window is asked whether it holds something, where the browser has no locks, ms. */
const ASK_MS = 120;

/**
 * Takes a name for this window if no living window has it; null otherwise. By the browser's locks;
 * where there are none (a plain address on the network), by asking the other windows.
 */
export function tryHold(name: string): Promise<Held | null> {
  return 'locks' in navigator ? holdByLock(name) : holdByAsking(name);
}

function holdByLock(name: string): Promise<Held | null> {
  return new Promise((resolve, reject) => {
    navigator.locks
      .request(name, { ifAvailable: true }, (lock) => {
        if (!lock) {
          resolve(null);
          return undefined;
        }
        return new Promise<void>((release) => {
          resolve({ release });
        });
      })
      .catch(reject);
  });
}

async function holdByAsking(name: string): Promise<Held | null> {
  const channel = new BroadcastChannel(name);
  const isHeld = await new Promise<boolean>((resolve) => {
    channel.onmessage = ({ data }) => data === 'held' && resolve(true);
    channel.postMessage('who holds this?');
    setTimeout(() => resolve(false), ASK_MS);
  });
  if (isHeld) {
    channel.close();
    return null;
  }
  channel.onmessage = ({ data }) => data !== 'held' && channel.postMessage('held');
  return { release: () => channel.close() };
}
