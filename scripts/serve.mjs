// Serves the built application on this machine only: `node scripts/serve.mjs [port]`. What no page answers is answered here.
import { createServer } from 'node:http';
import next from 'next';

const port = Number(process.argv[2] ?? process.env.PORT ?? 4173);
const LONGEST_ADDRESS = 4000;
const METHODS = ['GET', 'HEAD'];
/** The simulated machines are the only thing that takes anything in. */
const MACHINES = /^\/api\/machine(\/|\?|$)/;
const MACHINE_METHODS = [...METHODS, 'POST', 'PUT', 'DELETE'];

/** Assets are no pages, but workers among them run under the policy that comes with their own file. */
const ASSET_POLICY = [
  `default-src 'self'`,
  `script-src 'self' 'wasm-unsafe-eval'`,
  `style-src 'self' 'unsafe-inline'`,
  `object-src 'none'`,
  `base-uri 'none'`,
  `frame-ancestors 'none'`,
].join('; ');

const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'no-referrer',
  'Permissions-Policy': 'camera=(), microphone=(), geolocation=()',
  'Content-Security-Policy': ASSET_POLICY,
  // Isolated from other pages, so that the page and its workers may share memory: work is told to stop through it.
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Cross-Origin-Embedder-Policy': 'require-corp',
};

function answer(res, code, sentence, more = {}) {
  res.writeHead(code, { 'Content-Type': 'text/html; charset=utf-8', ...more });
  res.end(
    `<!doctype html><html lang="en"><meta charset="utf-8"><title>Cobble</title><body><h1>${sentence}</h1><p><a href="/">To the shelf</a></p></body></html>`,
  );
}

function readable(address) {
  try {
    decodeURIComponent(address.split('?')[0]);
    return true;
  } catch {
    return false;
  }
}

const app = next({ dev: false, hostname: '127.0.0.1', port });
await app.prepare();
const handle = app.getRequestHandler();
const server = createServer((req, res) => {
  for (const [name, value] of Object.entries(HEADERS)) res.setHeader(name, value);
  const address = req.url ?? '/';
  const methods = MACHINES.test(address) ? MACHINE_METHODS : METHODS;
  if (!methods.includes(req.method ?? '')) answer(res, 405, 'This address is only for reading', { Allow: methods.join(', ') });
  else if (address.length > LONGEST_ADDRESS) answer(res, 414, 'This address is too long');
  else if (!readable(address)) answer(res, 400, 'This address cannot be read');
  else
    handle(req, res).catch(() => {
      if (res.headersSent) res.end();
      else answer(res, 500, 'This page could not be made; load it again');
    });
});
server.on('clientError', (_, socket) => {
  if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nConnection: close\r\nX-Content-Type-Options: nosniff\r\n\r\n');
});
server.listen(port, '127.0.0.1');
for (const signal of ['SIGTERM', 'SIGINT']) process.on(signal, () => process.exit(0));
