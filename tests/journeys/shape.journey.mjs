// Hands on the cloth: grips turn and scale about the middle, the view is moved by Space, wheel and keys, panels keep their size, pieces are chosen by a box and by likeness.
import assert from 'node:assert/strict';
import { after, test } from 'node:test';
import { bundleOf, jobRecord, startJourney } from './browser.mjs';

const { app, driver, h } = await startJourney();
after(() => app.stop());

const [RIGHT, LEFT, UP, SHIFT, ESC, SPACE] = ['\uE014', '\uE012', '\uE013', '\uE008', '\uE00C', ' '];
const rect = (name, x, y, w, hh, more = {}) => ({ name, area: `M${x},${y} h${w} v${hh} h${-w} Z`, ...more });
const THREAD = { id: 't2', code: 'R3', name: 'Moss', hex: '#3d6b35', weight: 40 };
const PIECES = [
  rect('Long', -20, -10, 40, 20),
  rect('Left', -40, 25, 8, 8, { thread: 't2' }),
  rect('Right', 30, 25, 8, 8, { thread: 't2' }),
  rect('Far', 30, -38, 8, 8),
];
const outline = () =>
  driver.executeScript(
    "const b = document.querySelector('[data-testid=selection] path')?.getBBox(); return b && { x: b.x, y: b.y, w: b.width, h: b.height };",
  );
const near = (a, b, by = 0.35) => Math.abs(a - b) < by;
/** Where a grip lies in the page, px. */
const grip = async (name) => {
  const r = await driver.executeScript(
    `const r = document.querySelector('g[aria-label="${name}"]').getBoundingClientRect(); return { x: r.x + r.width / 2, y: r.y + r.height / 2 };`,
  );
  return { x: Math.round(r.x), y: Math.round(r.y) };
};
const scale = () =>
  driver.executeScript("return Number(document.querySelector('[aria-label=Totals] p:last-child').textContent.split(' ')[0])");
const centre = async () => h.pixel(0, 0);
async function click(x, y) {
  await driver
    .actions()
    .move(await h.pixel(x, y))
    .press()
    .release()
    .perform();
}
const size = async () => {
  const e = await h.find('[data-testid="chosen-size"]');
  return { w: Number(await e.getAttribute('data-width')), h: Number(await e.getAttribute('data-height')) };
};

test('a corner scales about the middle, with the size and the per cent beside', async () => {
  await h.openBundle(app, bundleOf(jobRecord('Grips', PIECES, { threads: [THREAD] })));
  await click(0, 0);
  await h.poll('its size', async () => near((await size()).w, 40) && near((await size()).h, 20));
  const at = await grip('Scale about its middle');
  const mid = await centre();
  const to = { x: Math.round(at.x + (at.x - mid.x) * 0.5), y: Math.round(at.y + (at.y - mid.y) * 0.5) };
  await driver
    .actions()
    .move(at)
    .press()
    .move({ x: at.x + 20, y: at.y + 10 })
    .move(to)
    .perform();
  assert.match(await h.text('[data-testid="chosen-size"]'), /%/);
  await driver.actions().release().perform();
  await h.poll('half as large again', async () => {
    const b = await outline();
    return near(b.w / b.h, 2, 0.05) && b.w > 54 && near(b.x + b.w / 2, 0, 0.1) && near(b.y + b.h / 2, 0, 0.1);
  });
  await h.withControl('z');
  await h.poll('undone in one step', async () => near((await outline()).w, 40, 0.01));
});

test('the knob turns about the middle, with Shift by steps of 15 degrees; Esc gives it up', async () => {
  const from = await grip('Turn about its middle');
  const mid = await centre();
  const r = mid.y - from.y;
  const to = { x: Math.round(mid.x + r * Math.sin(1.5)), y: Math.round(mid.y - r * Math.cos(1.5)) };
  await driver
    .actions()
    .move(from)
    .press()
    .move({ x: from.x + 30, y: from.y + 10 })
    .keyDown(SHIFT)
    .move(to)
    .perform();
  assert.match(await h.text('[data-testid="chosen-size"]'), /^90° clockwise/);
  await driver.actions().release().keyUp(SHIFT).perform();
  await h.poll('upright', async () => near((await outline()).w, 20, 0.05) && near((await outline()).h, 40, 0.05));
  const knob = await grip('Turn about its middle');
  await driver
    .actions()
    .move(knob)
    .press()
    .move({ x: knob.x + 60, y: knob.y + 30 })
    .perform();
  await h.poll('on its way', async () => !near((await outline()).w, 20, 1));
  await h.key(ESC);
  await driver.actions().release().perform();
  await h.poll('given up', async () => near((await outline()).w, 20, 0.05));
  await h.withControl('z');
  await h.poll('level again', async () => near((await outline()).w, 40, 0.01));
});

test('by keys: the knob turns a degree at a time, a corner scales by a hundredth, and the card takes figures', async () => {
  await driver.executeScript(`document.querySelector('g[aria-label="Scale about its middle"]').focus()`);
  await h.key(RIGHT);
  await h.poll('a hundredth larger', async () => near((await outline()).w, 40.4, 0.02));
  const width = await h.find('[aria-label="Size and turn"] input');
  await h.poll('in the field', async () => (await width.getAttribute('value')).startsWith('40.4'));
  await driver.executeScript('arguments[0].select()', width);
  await width.sendKeys('30', '\uE007');
  await h.poll('30 wide, 15 high', async () => near((await outline()).w, 30, 0.05) && near((await outline()).h, 15, 0.05));
  await driver.executeScript('document.activeElement.blur()');
});

test('Space held over a piece moves the view and does not sew; tapped it sews', async () => {
  const before = await centre();
  const held = await outline();
  await driver
    .actions()
    .keyDown(SPACE)
    .move(before)
    .press()
    .move({ x: before.x + 40, y: before.y + 30 })
    .move({ x: before.x + 80, y: before.y + 50 })
    .release()
    .keyUp(SPACE)
    .perform();
  await h.poll('moved', async () => near((await centre()).x, before.x + 80, 2) && near((await centre()).y, before.y + 50, 2));
  assert.deepEqual(await outline(), held);
  assert.equal(await h.count('button[aria-label="Stop sewing (Space)"]'), 0);
  await h.key(SPACE);
  await (await h.find('button[aria-label="Stop sewing (Space)"]')).click();
  await h.key('0');
});

test('the view is moved by keys, and by the arrows alone with nothing chosen', async () => {
  await h.key('\uE010');
  await h.key(ESC);
  await h.poll('nothing chosen', async () => (await h.count('[data-testid="selection"]')) === 0);
  const before = await centre();
  await h.key(LEFT);
  await h.poll('moved', async () => (await centre()).x > before.x + 30);
  await driver.actions().keyDown('\uE009').sendKeys(UP).keyUp('\uE009').perform();
  await h.poll('moved up', async () => (await centre()).y > before.y + 30);
  await h.key('0');
});

test('a wheel can be set to move the view; with Ctrl it still zooms', async () => {
  const bench = await driver.getCurrentUrl();
  await driver.get(`${app.address}/library#shop`);
  await (await h.findText('option', 'Moves the view; with Ctrl makes larger')).click();
  await h.poll('kept', async () => {
    await driver.navigate().refresh();
    await h.findText('option', 'Moves the view; with Ctrl makes larger');
    await driver.sleep(200);
    return driver.executeScript("return [...document.querySelectorAll('select')].some((e) => e.value === 'moves')");
  });
  await driver.get(bench);
  await h.find('[data-piece]');
  await h.find('[data-testid="cloth"][data-wheel="moves"]');
  await h.key('0');
  const [before, near0] = [await centre(), await scale()];
  const wheel = (more) =>
    driver.executeScript(
      `document.querySelector('[data-testid=cloth]').dispatchEvent(new WheelEvent('wheel', { deltaY: 100, bubbles: true, cancelable: true, clientX: 500, clientY: 300, ...${JSON.stringify(more)} }))`,
    );
  await wheel({});
  await h.poll('moved, not zoomed', async () => near((await centre()).y, before.y - 100, 3) && (await scale()) === near0);
  await wheel({ ctrlKey: true });
  await h.poll('zoomed', async () => (await scale()) < near0);
  await h.key('0');
});

test('the card and the thread line are as large as they were drawn, also after a reload', async () => {
  const width = () => driver.executeScript(`return document.querySelector('[aria-label="Stitch card"]').getBoundingClientRect().width`);
  const height = () => driver.executeScript(`return document.querySelector('[aria-label="Thread line"]').getBoundingClientRect().height`);
  const [w, hh] = [await width(), await height()];
  const edge = async (label, dx, dy) => {
    const e = await h.find(`[role="separator"][aria-label="${label}"]`);
    await driver
      .actions()
      .move({ origin: e })
      .press()
      .move({ origin: e, x: dx / 2, y: dy / 2 })
      .move({ origin: e, x: dx, y: dy })
      .release()
      .perform();
  };
  await edge('Width of the stitch card', -90, 0);
  await h.poll('wider', async () => (await width()) > w + 50);
  await edge('Height of the thread line', 0, -70);
  await h.poll('taller', async () => (await height()) > hh + 40);
  const left = [await width(), await height()];
  await driver.navigate().refresh();
  await h.find('[aria-label="Stitch card"]');
  await h.poll('as left', async () => near(await width(), left[0], 2) && near(await height(), left[1], 2));
  const e = await h.find('[role="separator"][aria-label="Width of the stitch card"]');
  await driver.executeScript('arguments[0].focus()', e);
  await h.key(RIGHT);
  await h.poll('narrower by a key', async () => (await width()) < left[0] - 4);
});

test('the box is a tool with a button; all like a piece are chosen by a button that says how many', async () => {
  await h.key('0');
  await (await h.findText('button', 'Box')).click();
  const [a, b] = [await h.pixel(-44, 22), await h.pixel(42, 36)];
  await driver
    .actions()
    .move(a)
    .press()
    .move({ x: a.x + 40, y: a.y + 10 })
    .move(b)
    .release()
    .perform();
  await h.findText('h2', '2 pieces chosen');
  await h.key(ESC);
  await click(-36, 29);
  await (await h.findText('button', 'Choose all like this')).click();
  const item = await h.findText('*[@role="menuitem"]', 'Moss');
  assert.match(await item.getText(), /^2\s/);
  await item.click();
  await h.findText('h2', '2 pieces chosen');
  await h.key(ESC);
});

test('buttons on the card sew a piece earlier and later', async () => {
  await click(-36, 29);
  await (await h.find('button[aria-label^="Sew the piece later"]')).click();
  const order = () => driver.executeScript("return [...document.querySelectorAll('[data-piece]')].map((e) => e.title.split('. ')[1])");
  await h.poll('later', async () => (await order()).join() === 'Long,Right,Left,Far');
  await (await h.find('button[aria-label^="Sew the piece earlier"]')).click();
  await h.poll('earlier', async () => (await order()).join() === 'Long,Left,Right,Far');
});

test('pieces too short to be hit on the thread line have a handle of 16 pixels and more that chooses them', async () => {
  const many = Array.from({ length: 30 }, (_, i) => rect(`Dot ${i + 1}`, (i % 6) * 8 - 24, Math.floor(i / 6) * 8 + 8, 3, 3));
  await h.openBundle(app, bundleOf(jobRecord('Dots', [rect('Field', -45, -45, 90, 45), ...many])));
  await h.poll('handles', async () => (await h.count('[data-tab]')) > 3);
  const tabs = await driver.executeScript(
    "return [...document.querySelectorAll('[data-tab]')].map((e) => { const r = e.getBoundingClientRect(); return { x: r.x, w: r.width, h: r.height, id: e.dataset.tab }; })",
  );
  for (const [i, t] of tabs.entries()) {
    assert.ok(t.w >= 16 && t.h >= 16, JSON.stringify(t));
    if (i > 0) assert.ok(t.x >= tabs[i - 1].x + tabs[i - 1].w - 0.5);
  }
  await driver.executeScript("document.querySelector('[data-tab]').focus()");
  await (await h.find('[data-tab]')).click();
  await h.find('[data-testid="selection"]');
});
