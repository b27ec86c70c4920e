// How the application feels, in a browser: ways to the Bench, tasks that block the page, and the JavaScript that each place loads.
// Figures are printed and never asserted: `node tests/bench/feel.mjs`, with nothing else running.
import { gzipSync } from 'node:zlib';
import { hands, startApp, startBrowser } from '../journeys/browser.mjs';

const app = await startApp();
const { driver } = await startBrowser();
const h = hands(driver);
const OPEN = 'a[aria-label="Open Ferry crew polo"]';
const middle = (values) => values.slice().sort((a, b) => a - b)[values.length >> 1];

/** Every request of a page for a script of the app, gzipped anew: the server may not. */
async function scriptsOf(path) {
  await driver.get(app.address + path);
  await driver.sleep(2500);
  const urls = await driver.executeScript(
    "return performance.getEntriesByType('resource').filter((e) => e.initiatorType === 'script' || e.initiatorType === 'link').map((e) => e.name).filter((n) => n.endsWith('.js') && e2(n)); function e2(n) { return !/worker/.test(n); }",
  );
  let bytes = 0;
  for (const url of new Set(urls)) bytes += gzipSync(Buffer.from(await (await fetch(url)).arrayBuffer())).length;
  return bytes;
}

async function watchTasks() {
  await driver.executeScript(`
    if (!window.__tasks) new PerformanceObserver((l) => { for (const e of l.getEntries()) window.__tasks.push(Math.round(e.duration)); }).observe({ entryTypes: ['longtask'] });
    window.__tasks = [];`);
}
const tasks = () => driver.executeScript('return window.__tasks');

/** The longest task over 50 ms that an act causes, the middle of five times; 0 where there is none. */
async function blocks(name, act, undo = async () => undefined) {
  const longest = [];
  for (let i = 0; i < 5; i++) {
    await watchTasks();
    await act();
    await driver.sleep(1200);
    longest.push(Math.max(0, ...(await tasks())));
    await undo();
    await driver.sleep(700);
  }
  console.log(`${name}: longest task ${middle(longest)} ms (of five: ${longest.join(', ')})`);
}

const look = async (name) => (await h.findText('button', name)).click();
const blur = () => driver.executeScript('document.activeElement.blur()');

try {
  await driver.get(app.address);
  await h.find('a[aria-label="Open Pottery café apron"]');
  await h.find(OPEN);
  await driver.sleep(4000);
  const soon = [];
  for (let i = 0; i < 7; i++) {
    await driver.get(app.address);
    await h.find(OPEN);
    await driver.sleep(700);
    const began = Date.now();
    await driver.executeScript('document.querySelector(arguments[0]).click()', OPEN);
    await h.sewn();
    soon.push(Date.now() - began);
    await driver.sleep(1500);
  }
  console.log(`Shelf to Bench, pressed 0.7 s after the page: median ${middle(soon)} ms (${soon.join(', ')})`);
  const bench = await driver.getCurrentUrl();
  await driver.sleep(3000);

  await blocks(
    'Weight',
    () => look('Weight'),
    () => look('Thread'),
  );
  const drag = async () => {
    const c = await (await h.find('[data-testid="cloth"]')).getRect();
    const hand = driver
      .actions()
      .move({ x: Math.round(c.x + 40), y: Math.round(c.y + c.height - 40) })
      .press();
    for (let i = 1; i < 10; i++) hand.move({ x: Math.round(c.x + 40 + i * 12), y: Math.round(c.y + c.height - 40 - i * 8), duration: 16 });
    await hand.release().perform();
  };
  await blocks('pan', drag, () => h.key('0'));
  await blocks(
    'choose all',
    () => h.withControl('a'),
    () => h.key('\uE00C'),
  );
  await blocks(
    'copy all pieces',
    async () => {
      await h.withControl('a');
      await h.withControl('c');
      await h.withControl('v');
    },
    async () => {
      await h.withControl('z');
      await h.key('\uE00C');
    },
  );
  await blocks(
    'spacing entered',
    async () => {
      await (await h.find('[data-piece]')).click();
      await (await h.find('[data-setting="Spacing"] input')).sendKeys('\uE009', 'a', '\uE000', '0.5', '\uE007');
    },
    async () => {
      await blur();
      await h.withControl('z');
      await h.key('\uE00C');
    },
  );
  const proof = async () => (await h.find('[data-testid="findings"]')).click();
  await blocks('Proof', proof, proof);
  await blocks(
    'palette',
    () => h.key('/'),
    () => h.key('\uE00C'),
  );
  await blocks(
    'Pull',
    () => look('Pull'),
    () => look('Thread'),
  );

  const job = new URL(bench).pathname.replace(/\/bench.*/, '');
  for (const path of ['/', `${job}/brief`, `${job}/art`, `${job}/bench`, `${job}/sewouts`, `${job}/floor`, '/library', '/day', '/compare'])
    console.log(`JavaScript of ${path.replace(job, '/job')}: ${Math.round((await scriptsOf(path)) / 1000)} kB gzipped`);
} finally {
  await driver.quit();
  app.stop();
}
