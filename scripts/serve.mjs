// Serves the built app on one address. Looks at each request before the app does: method, address,
// and from where it came in.
import { createServer } from 'node:http';
import { readFileSync, readdirSync } from 'node:fs';
import next from 'next';
import { SERVICE_WORKER } from './bundles.mjs';
import { badRequest, METHODS, whyNotServed } from './doors.mjs';

const [host = '127.0.0.1', port = '4310'] = process.argv.slice(2);
const refusal = whyNotServed(host, process.env.ZEPHYRON_PASSPHRASE);
if (refusal) {
  console.error(refusal);
  process.exit(1);
}
process.env.ZEPHYRON_BOUND = host.includes(':') ? `[${host}]` : host;
process.env.NODE_ENV = 'production';

const app = next({ dev: false, hostname: host, port: Number(port) });
await app.prepare();
const handle = app.getRequestHandler();
const worker = `self.__SW_MANIFEST=${JSON.stringify(shell())};\n${readFileSync(SERVICE_WORKER, 'utf8')}`;

/** Every file of the app, for browsers to keep: their names change with what is in them. */
function shell() {
  const files = readdirSync('.next/static', { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile() && !f.name.endsWith('.map'))
    .map((f) => `${f.parentPath}/${f.name}`.replace(/^\.next/, '/_next'));
  const revision = readFileSync('.next/BUILD_ID', 'utf8');
  return [{ url: '/offline', revision }, ...files.map((url) => ({ url, revision: null }))];
}

const server = createServer((request, response) => {
  const { method = '', url = '' } = request;
  const bad = badRequest({ method, url, localAddress: request.socket.localAddress });
  if (bad) {
    const [status, words] = bad;
    response.writeHead(status, {
      'content-type': 'text/plain; charset=utf-8',
      ...(status === 405 ? { allow: [...METHODS].join(', ') } : {}),
    });
    response.end(words);
    request.resume();
    return;
  }
  if (url === '/sw.js') {
    response.writeHead(200, {
      'content-type': 'text/javascript; charset=utf-8',
      'cache-control': 'no-cache',
      'x-content-type-options': 'nosniff',
      'cross-origin-embedder-policy': 'require-corp',
      'cross-origin-resource-policy': 'same-origin',
    });
    response.end(method === 'HEAD' ? undefined : worker);
    return;
  }
  handle(request, response).catch((error) => {
    console.error(error);
    if (!response.headersSent) response.writeHead(500);
    response.end();
  });
});
server.headersTimeout = 15_000;
server.requestTimeout = 60_000;
server.on('clientError', (_, socket) => {
  if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nconnection: close\r\n\r\n');
});
server.on('error', (error) => {
  console.error(error.message);
  process.exit(1);
});
server.listen(Number(port), host, () => console.log(`listening on ${host}:${port}`));
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });
