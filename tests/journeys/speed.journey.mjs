// How fast the Bench answers, with real pointer events. Figures are printed, not asserted: they depend on the machine.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { bundleOf, jobRecord, startJourney } from './browser.mjs';

const square = (x, y, side) => `M${x},${y} H${x + side} V${y + side} H${x} Z`;
const jobFile = (name, areas, settings = {}) =>
  bundleOf(
    jobRecord(
      name,
      areas.map((area) => ({ area, settings })),
      { hoop: { width: 300, height: 300, shape: 'rect' } },
    ),
  );

async function open(file, name) {
  await driver.get(app.address);
  await (await h.find('input[type=file]')).sendKeys(file);
  // A bundle that is dropped opens as a job of its own.
  await h.poll('a job', async () => /\/job\//.test(await driver.getCurrentUrl()));
  await driver.get((await driver.getCurrentUrl()).replace(/\/(brief|art|bench)$/, '/bench'));
  await h.poll('its name', async () => (await driver.getPageSource()).includes(name));
  await h.sewn();
}
const { app, driver, h } = await startJourney();

const middle = (values) => values.slice().sort((a, b) => a - b)[values.length >> 1];

test('a node of a 5,000-stitch piece is dragged and the new stitches are seen', async () => {
  await open(jobFile('One large field', [square(-40, -40, 80)]), 'One large field');
  const stitches = Number((await h.text('[data-total="stitches"]')).replace(/,/g, ''));
  assert.ok(stitches > 4500, `${stitches} stitches`);
  await (await h.findText('button', 'Piece 1')).click();
  await driver.actions().sendKeys('g').perform();
  await driver.executeScript(`
    window.__tasks = [];
    new PerformanceObserver((l) => { for (const e of l.getEntries()) window.__tasks.push(e.duration); }).observe({ entryTypes: ['longtask'] });
    window.__seen = [];
    const canvas = document.querySelector('canvas[role=img]');
    // The pointer rests where it is lifted, so the last move is what the last stitches answer.
    addEventListener('pointermove', (e) => { if (e.buttons === 1) window.__up = performance.now(); }, true);
    let shown = canvas.dataset.version;
    new MutationObserver(() => { if (canvas.dataset.version !== shown) { shown = canvas.dataset.version; window.__last = performance.now(); } }).observe(canvas, { attributes: true, attributeFilter: ['data-version'] });
    window.__settle = () => { if (window.__up && window.__last) window.__seen.push(Math.max(0, window.__last - window.__up)); window.__up = window.__last = 0; };`);
  for (let i = 0; i < 9; i++) {
    const node = await h.find('[data-testid="nodes"] [role=button]');
    const box = await node.getRect();
    const from = { x: Math.round(box.x + box.width / 2), y: Math.round(box.y + box.height / 2) };
    const by = i % 2 === 0 ? 12 : -12;
    await driver
      .actions()
      .move(from)
      .press()
      .move({ x: from.x + by / 2, y: from.y + by / 2 })
      .move({ x: from.x + by, y: from.y + by })
      .release()
      .perform();
    await driver.sleep(700);
    await driver.executeScript('window.__settle()');
  }
  const seen = await driver.executeScript('return window.__seen');
  const tasks = await driver.executeScript('return window.__tasks');
  console.log(
    `last move of the pointer to new stitches on screen, ${stitches} stitches: median ${middle(seen).toFixed(0)} ms of ${seen.length} drags; ` +
      `tasks over 50 ms on the page: ${tasks.length}${tasks.length ? `, longest ${Math.max(...tasks).toFixed(0)} ms` : ''}`,
  );
  assert.ok(seen.length >= 7, 'the new stitches were seen');
});

test('a job of 100,000 stitches is moved and zoomed', async () => {
  const fields = Array.from({ length: 16 }, (_, i) => square(-140 + (i % 4) * 71, -140 + Math.floor(i / 4) * 71, 68));
  await open(jobFile('Sixteen fields', fields, { spacing: 0.25 }), 'Sixteen fields');
  const stitches = Number((await h.text('[data-total="stitches"]')).replace(/,/g, ''));
  assert.ok(stitches >= 100000, `${stitches} stitches`);
  const frames = (name, act) => measureFrames(name, act, stitches);
  await frames('moving', async (c) => {
    await driver.actions().move({ x: c.x, y: c.y }).press().perform();
    for (let i = 0; i < 12; i++) {
      await driver
        .actions()
        .move({ x: c.x + (i % 2 ? 60 : -60), y: c.y + i * 4, duration: 100 })
        .perform();
    }
    await driver.actions().release().perform();
  });
  await frames('zooming', async (c) => {
    for (let i = 0; i < 12; i++)
      await driver
        .actions()
        .scroll(c.x, c.y, 0, i < 6 ? -160 : 160)
        .perform();
  });
  await (await h.find('button[aria-label="7500 stitches a second"]')).click();
  await (await h.find('button[aria-label="To the first stitch"]')).click();
  const sewn = () => driver.executeScript('return Number(document.querySelector("[role=slider]").getAttribute("aria-valuenow"))');
  const began = Date.now();
  await frames('replaying', async () => {
    await (await h.find('button[aria-label="Sew (Space)"]')).click();
    await h.poll('20,000 stitches sewn', async () => (await sewn()) > 20000);
    console.log(`20,000 stitches replayed at 7,500 a second in ${Date.now() - began} ms`);
    await (await h.find('button[aria-label="Stop sewing (Space)"]')).click();
  });
});

async function measureFrames(name, act, stitches) {
  const cloth = await (await h.find('[data-testid="cloth"]')).getRect();
  const c = { x: Math.round(cloth.x + cloth.width / 2), y: Math.round(cloth.y + cloth.height / 2) };
  await driver.executeScript(`
    window.__frames = []; window.__count = true;
    const step = (t) => { window.__frames.push(t); if (window.__count) requestAnimationFrame(step); };
    requestAnimationFrame(step);`);
  await act(c);
  const times = await driver.executeScript('window.__count = false; return window.__frames');
  const rested = Date.now();
  await h.poll('sharp again', async () => (await (await h.find('canvas[role=img]')).getAttribute('data-sharp')) === 'true');
  const gaps = times.slice(1).map((t, i) => t - times[i]);
  console.log(
    `${name} over ${stitches} stitches: ${(1000 / (gaps.reduce((a, b) => a + b, 0) / gaps.length)).toFixed(0)} frames a second, ` +
      `slowest frame ${Math.max(...gaps).toFixed(0)} ms, sharp ${Date.now() - rested} ms after rest at most`,
  );
  assert.ok(times.length > 10, 'frames were drawn');
}
