// Asks the server for what it should not give, and for what it should with the headers that it should.
import { request } from 'node:http';
import { connect } from 'node:net';
import { startApp } from '../journeys/browser.mjs';
import { option, randomOf, Tally } from './kit.mjs';

const random = randomOf(option('seed', 4));
const tally = new Tally();
const app = await startApp();
const { port } = new URL(app.address);

/** @returns status and headers; path and method go out as they are */
const ask = (path, method = 'GET', headers = {}) =>
  new Promise((done, fail) => {
    const req = request({ host: '127.0.0.1', port, path, method, headers, timeout: 10_000 }, (res) => {
      let body = '';
      res.on('data', (d) => (body += d));
      res.on('end', () => done({ status: res.statusCode, headers: res.headers, body }));
    });
    req.on('timeout', () => req.destroy(new Error('no answer in 10 s')));
    req.on('error', fail);
    req.end();
  });

async function expectStatus(what, asked, statuses) {
  tally.tried++;
  try {
    const { status, headers } = await asked;
    if (!statuses.includes(status)) tally.note('wrong', `${what}: ${status}`);
    if (headers['x-content-type-options'] !== 'nosniff') tally.note('wrong', `${what}: no nosniff`);
    if (!headers['content-security-policy']) tally.note('wrong', `${what}: no policy`);
  } catch (error) {
    tally.note(/no answer/.test(error.message) ? 'hung' : 'crashed', `${what}: ${error.message}`);
  }
}

const PAGES = ['/', '/library', '/compare', '/job/x/bench', '/job/x/brief'];
for (const page of PAGES) await expectStatus(page, ask(page), [200]);
for (const page of [...PAGES, '/icon.svg'])
  for (const method of ['POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'TRACE', 'PROPFIND'])
    await expectStatus(`${method} ${page}`, ask(page, method), [405]);
await expectStatus('HEAD /', ask('/', 'HEAD'), [200]);
for (const path of ['/job/%E0%A4%A/bench', '/%', '/%zz', '/job/%C0%AE/brief']) await expectStatus(path, ask(path), [400]);
for (const path of [
  '/job/x/nowhere',
  '/nowhere',
  '/job',
  '/..%2f..%2fetc%2fpasswd',
  '/_next/static/none.js',
  '/demo/none.svg',
  '/.git/config',
  '/package.json',
])
  await expectStatus(path, ask(path), [400, 404]);
await expectStatus('a long address', ask(`/${'x'.repeat(9000)}`), [414]);

const { body } = await ask('/');
const assets = [...body.matchAll(/(?:src|href)="(\/[^"]+)"/g)].map((m) => m[1]);
for (const asset of [...new Set([...assets, '/icon.svg', '/demo/heron.svg'])]) await expectStatus(asset, ask(asset), [200]);

/** Bytes that are no request, straight into the socket: the server answers or closes, and lives. */
const raw = (bytes) =>
  new Promise((done) => {
    const socket = connect(Number(port), '127.0.0.1', () => socket.end(bytes));
    socket.on('error', done);
    socket.on('close', done);
    socket.setTimeout(5000, () => socket.destroy());
    socket.resume();
  });
for (let i = 0; i < option('count', 200); i++) {
  tally.tried++;
  const length = 1 + Math.floor(200 * random());
  const start = random() < 0.5 ? 'GET /' : '';
  await raw(Buffer.concat([Buffer.from(start), Buffer.from(Array.from({ length }, () => Math.floor(256 * random())))]));
}
await expectStatus('alive after all of it', ask('/'), [200]);
app.stop();
tally.end();
process.exit();
