import { currentWriting } from './language';

/**
 * A table of words that stands where a module loads, before anybody has chosen a language: it is
 * made anew when the language has changed. It reads like the table itself, but cannot be posted to
 * a worker.
 */
export function worded<T extends object>(make: () => T): T {
  let made = make(),
    madeIn = currentWriting();
  const now = (): T => {
    const writing = currentWriting();
    if (writing !== madeIn) {
      made = make();
      madeIn = writing;
    }
    return made;
  };
  return new Proxy(made, {
    get: (_, key) => Reflect.get(now(), key) as unknown,
    has: (_, key) => Reflect.has(now(), key),
    ownKeys: () => Reflect.ownKeys(now()),
    getOwnPropertyDescriptor: (_, key) => Reflect.getOwnPropertyDescriptor(now(), key),
  });
}
