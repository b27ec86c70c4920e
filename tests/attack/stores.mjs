// Stores that fail in every way browsers know: each is said within three seconds wherever one works, and a file can be taken away.
import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bundleOf, hands, jobRecord, startApp, startBrowser } from '../journeys/browser.mjs';
import { pause, Tally } from './kit.mjs';

const SAID_WITHIN_MS = 3000;
/** Loading the page itself is not the store's doing. */
const LOAD_MS = 1500;

const ABSENT = {
  absent: "Object.defineProperty(window, 'indexedDB', { value: undefined });",
  blocked: "IDBFactory.prototype.open = function () { throw new DOMException('denied', 'SecurityError'); };",
  'failing to open':
    "IDBFactory.prototype.open = function () { const r = {}; setTimeout(() => r.onerror?.({ preventDefault() {}, target: r })); r.error = new DOMException('broken', 'UnknownError'); return r; };",
  'never answering': 'IDBFactory.prototype.open = function () { return {}; };',
};
const FULL =
  "const put = IDBObjectStore.prototype.put; IDBObjectStore.prototype.put = function (...a) { if (window.__full) throw new DOMException('no room', 'QuotaExceededError'); return put.apply(this, a); };";
const BROKEN =
  "const tx = IDBDatabase.prototype.transaction; IDBDatabase.prototype.transaction = function (...a) { if (window.__broken) throw new DOMException('lost', 'UnknownError'); return tx.apply(this, a); };";
const MUTE =
  'const get = IDBObjectStore.prototype.get; IDBObjectStore.prototype.get = function (...a) { return window.__mute ? {} : get.apply(this, a); };';
const NO_LOCAL = "Object.defineProperty(window, 'localStorage', { get() { throw new DOMException('denied', 'SecurityError'); } });";

const drawing = join(mkdtempSync(join(tmpdir(), 'cobble-art-')), 'flag.svg');
writeFileSync(
  drawing,
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 40" width="60mm" height="40mm"><rect width="60" height="40" fill="#225577"/></svg>',
);

const tally = new Tally();
const app = await startApp();

/** A fresh browser whose pages all run `script` first. */
async function browserWith(script, run) {
  tally.tried++;
  const { driver, downloads } = await startBrowser();
  const h = hands(driver);
  const files = () => readdirSync(downloads).filter((f) => f.endsWith('.cobble')).length;
  await driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: script });
  /** @returns milliseconds until something matching is there */
  const until = async (css, from) => {
    await h.find(css);
    return Date.now() - from;
  };
  try {
    await run({ driver, h, files, until });
  } catch (error) {
    tally.note('crashed', error.message.split('\n')[0]);
  }
  await driver.quit();
}
const soon = (what, ms, allowed = SAID_WITHIN_MS + LOAD_MS) => {
  if (ms > allowed) tally.note('wrong', `${what} was said after ${ms} ms`);
};
const saved = async (h, files, button) => {
  const before = files();
  await (await h.findText('button', button)).click();
  await h.poll('a file', async () => files() === before + 1);
};

for (const [name, script] of Object.entries(ABSENT)) {
  await browserWith(script + NO_LOCAL, async ({ driver, h, files, until }) => {
    const from = Date.now();
    await driver.get(app.address);
    soon(`${name}, on the shelf:`, await until('[data-storage]', from));
    await (await h.find('input[type=file]')).sendKeys(drawing);
    await h.poll('the brief', async () => (await driver.getCurrentUrl()).includes('/brief'));
    soon(`${name}, in the brief:`, await until('[data-storage]', Date.now()));
    await saved(h, files, 'Save this job to a file');
    await (await h.findText('a', 'Bench')).click();
    await h.sewn();
    await h.find('[data-storage]');
    await h.key('n');
    await h.key('\uE014');
    await saved(h, files, 'Save this job to a file');
    await (await h.findText('a', 'Shelf')).click();
    await h.find('a[aria-label="Open flag"]');
    await saved(h, files, 'Save the whole shelf to a file');
  });
}

await browserWith(FULL, async ({ driver, h, files, until }) => {
  await driver.get(app.address);
  await h.find('a[aria-label="Open Ferry crew polo"]');
  await pause(3000);
  await driver.executeScript('window.__full = true');
  await (await h.find('input[type=file]')).sendKeys(drawing);
  const from = Date.now();
  soon('full, on the shelf:', await until('[data-testid="not-kept"]', from), 6000);
  await saved(h, files, 'Save it to a file');
  await driver.executeScript('document.querySelector(\'[aria-label^="Duplicate Ferry"]\').click()');
  await h.find('[data-testid="not-kept"]');
});

for (const [name, script, flag] of [
  ['full', FULL, '__full'],
  ['broken', BROKEN, '__broken'],
]) {
  await browserWith(script, async ({ driver, h, files, until }) => {
    await h.openBundle(app, bundleOf(jobRecord('Kept', [{ area: 'M-20,-20 H0 V0 H-20 Z' }])));
    await h.saved();
    await pause(2500);
    await driver.executeScript(`window.${flag} = true`);
    await h.key('n');
    await h.key('\uE014');
    soon(`${name}, on the bench:`, await until('[role=alert] button', Date.now()), SAID_WITHIN_MS);
    await saved(h, files, 'Save this job to a file');
    await driver.executeScript(`window.${flag} = false`);
    await h.saved();
  });
}

await browserWith(MUTE, async ({ driver, h, files, until }) => {
  await h.openBundle(app, bundleOf(jobRecord('Kept', [{ area: 'M-20,-20 H0 V0 H-20 Z' }])));
  await h.saved();
  await pause(2500);
  await driver.executeScript('window.__mute = true');
  await h.key('n');
  await h.key('\uE014');
  soon('mute, on the bench:', await until('[data-storage]', Date.now()), SAID_WITHIN_MS + 300);
  await saved(h, files, 'Save this job to a file');
});

// One damaged record among others: the shelf stands, the damaged one can be saved and let go, and opening it says what it is.
await browserWith('', async ({ driver, h }) => {
  await driver.get(app.address);
  await h.find('a[aria-label="Open Botanical jacket back"]');
  await driver.executeScript(
    `return new Promise((done, fail) => { const open = indexedDB.open('cobble'); open.onsuccess = () => {
       const put = open.result.transaction('jobs', 'readwrite'); put.objectStore('jobs').put({ job: { cobble: 1, id: 'bad', pieces: 7 }, revision: 2, mark: 'x:1', updated: 9, artworkKey: 'x' }, 'bad');
       put.objectStore('jobs').put(12, 'worse'); put.oncomplete = () => { open.result.close(); done(); }; put.onerror = fail; }; });`,
  );
  await driver.get(app.address);
  await h.poll('both are shown', async () => (await h.count('[data-testid="damaged"]')) === 2);
  if ((await h.count('a[aria-label^="Open "]')) !== 5) tally.note('wrong', 'a damaged record hides others');
  await driver.get(`${app.address}/job/bad/bench`);
  await h.findText('h1', 'damaged');
});

app.stop();
tally.end();
process.exit();
