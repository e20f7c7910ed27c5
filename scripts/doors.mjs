// Who may reach the app, and by which requests.

/** What the app answers to; anything else is 405. */
export const METHODS = new Set(['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS']);
const LOOPBACK = /^(127\.|::1$|::ffff:127\.|localhost$)/;
const PASSPHRASE_LENGTH = 12;

export const isLoopback = (host) => LOOPBACK.test(host);

/** Why the app may not be opened on this address; null when it may. */
export function whyNotServed(host, passphrase) {
  if (passphrase && passphrase.length < PASSPHRASE_LENGTH)
    return `ZEPHYRON_PASSPHRASE has ${passphrase.length} characters; at least ${PASSPHRASE_LENGTH} are wanted.`;
  if (!isLoopback(host) && !passphrase)
    return `HOST is ${host}: set ZEPHYRON_PASSPHRASE to open the app to other machines. Without it only this machine is served (127.0.0.1).`;
  return null;
}

/** What is wrong with a request before anything is done for it: status and words, or null. */
export function badRequest({ method, url, localAddress }) {
  if (!METHODS.has(method)) return [405, 'This method is not served.'];
  if (!url.startsWith('/') || url.startsWith('//')) return [400, 'This is not an address.'];
  try {
    decodeURIComponent(url.split('?')[0]);
  } catch {
    return [400, 'This address has a bad escape.'];
  }
  // Bound to this machine, yet reached from another: forwarded by something that was not asked for.
  if (!process.env.ZEPHYRON_PASSPHRASE && !isLoopback(localAddress ?? ''))
    return [403, 'This address is not served.'];
  return null;
}
