/** Asks again after so long, ms. */
const AGAIN_MS = 3000;

/** Whether the server answers at all. */
export const serverAnswers = (): Promise<boolean> =>
  fetch('/api/health', { cache: 'no-store' }).then(
    ({ ok }) => ok,
    () => false,
  );

/** Resolves when the server answers: at once, else when the network is said to be back, or by itself. */
export async function serverBack(): Promise<void> {
  while (!(await serverAnswers())) await aWhile();
}

const aWhile = (): Promise<void> =>
  new Promise((resolve) => {
    const done = (): void => {
      clearTimeout(timer);
      window.removeEventListener('online', done);
      resolve();
    };
    const timer = setTimeout(done, AGAIN_MS);
    window.addEventListener('online', done);
  });
