// Shaping by hand with real pointer events: draw, drag a node, lay slants, pin a start, measure, undo all the way.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { startJourney } from './browser.mjs';

const { app, driver, h } = await startJourney();
await h.openDemo(app);

const pixel = (x, y) => h.pixel(x, y);
const key = (k) => driver.actions().sendKeys(k).perform();
async function click(x, y) {
  const p = await pixel(x, y);
  await driver.actions().move(p).press().release().perform();
}
async function drag(from, to) {
  const [a, b] = [await pixel(...from), await pixel(...to)];
  const half = { x: Math.round((a.x + b.x) / 2), y: Math.round((a.y + b.y) / 2) };
  await driver.actions().move(a).press().move(half).move(b).release().perform();
}
const total = async (name) => h.text(`[data-total="${name}"]`);
const ENTER = '\uE007';
const undoAll = async () => {
  for (let i = 0; i < 40; i++) {
    const button = await driver.findElement({ css: 'header button[aria-label^="Undo"], header button[aria-label="Nothing to undo"]' });
    if ((await button.getAttribute('aria-label')) === 'Nothing to undo') return i;
    await button.click();
  }
  return 40;
};

test('a satin drawn by its two sides is sewn', async () => {
  const before = await total('stitches');
  await key('w');
  await click(-30, 40);
  await click(30, 40);
  await key(ENTER);
  await click(-30, 46);
  await click(0, 48);
  await h.poll(
    'stitches shown while drawing',
    async () => Number(await (await h.find('[data-testid="drawing"]')).getAttribute('data-preview')) > 50,
  );
  await click(30, 46);
  await key(ENTER);
  await h.poll('sewn', async () => (await total('stitches')) !== before);
  assert.match(await h.text('[data-testid="sentence"]'), /^Satin/);
  await key('q');
});

test('a node dragged changes the stitches', async () => {
  await key('g');
  const count = async () => h.text('[data-testid="piece-stitches"]');
  const before = await count();
  await drag([30, 46], [30, 52]);
  await h.poll('more to sew', async () => (await count()) !== before);
  const nodes = await driver.findElements({ css: '[data-testid="nodes"] [role=button]' });
  assert.equal(nodes.length, 5);
});

test('two slants turn the rows of a drawn area', async () => {
  await key('d');
  for (const p of [
    [-45, -45],
    [-15, -45],
    [-15, -25],
    [-45, -25],
  ])
    await click(...p);
  await click(-45, -45);
  await h.poll('a fill', async () => /^Fill at/.test(await h.text('[data-testid="sentence"]')));
  await key('t');
  await drag([-42, -46], [-38, -24]);
  await drag([-18, -24], [-22, -46]);
  await h.poll('turning', async () => /turning/.test(await h.text('[data-testid="sentence"]')));
  await key('q');
});

test('a start that is pinned stays', async () => {
  await key('e');
  const ring = await h.find('[data-testid="ends"] [aria-label^="Start"]');
  const box = await ring.getRect();
  const from = { x: Math.round(box.x + box.width / 2), y: Math.round(box.y + box.height / 2) };
  await driver
    .actions()
    .move(from)
    .press()
    .move({ x: from.x + 30, y: from.y + 20 })
    .move({ x: from.x + 40, y: from.y + 30 })
    .release()
    .perform();
  await h.find('[data-testid="ends"] [aria-label="Start, pinned"]');
});

test('ten millimetres measure 10.0', async () => {
  await key('m');
  await drag([0, 0], [10, 0]);
  const length = Number(await (await h.find('[data-testid="measured"]')).getAttribute('data-length'));
  // One pixel of the screen is about 0.2 mm here.
  assert.ok(Math.abs(length - 10) <= 0.2, `measured ${length}`);
  await key('\uE00C');
});

test('all satins are chosen at once and get one underlay; mixed values are shown', async () => {
  await key('\uE00C');
  await (await h.findText('button', 'Reed 1')).click();
  await key('u');
  await h.find('[data-testid="many"]');
  assert.match(await h.text('[data-testid="many"]'), /mixed/);
  const before = await total('stitches');
  const zigzag = await h.find('[data-testid="many"] [data-setting="Underlay"] label:nth-of-type(4) input');
  await zigzag.click();
  await h.poll('underlay of all', async () => (await total('stitches')) !== before);
  await h.poll('one step', async () =>
    /of \d+ pieces/.test(await (await h.find('header button[aria-label^="Undo"]')).getAttribute('aria-label')),
  );
  await key('\uE00C');
});

test('a piece is repeated around the centre and mirrored', async () => {
  const pieces = async () => (await driver.findElements({ css: '[data-piece]' })).length;
  const before = await pieces();
  await (await h.findText('button', 'Drawn column')).click();
  await (await h.findText('button', 'Round centre')).click();
  await h.poll('six of them', async () => (await pieces()) === before + 5);
  await key('\uE00C');
  await (await h.findText('button', 'Drawn area')).click();
  await key('x');
  await h.poll('a mirrored copy', async () => (await pieces()) === before + 6);
  await key('\uE00C');
});

test('a command is found by a part of its name', async () => {
  await key('/');
  const field = await h.find('input[role="combobox"]');
  await field.sendKeys('next look', ENTER);
  await h.find('button[role=radio][aria-checked=true]:nth-of-type(2)');
  await key('l');
  await key('l');
});

test('undo goes all the way back, and redo forth', async () => {
  const sewn = await total('stitches');
  const steps = await undoAll();
  assert.ok(steps >= 6, `${steps} steps`);
  await h.poll('as it was', async () => (await total('stitches')) !== sewn);
  for (let i = 0; i < steps; i++) await (await driver.findElement({ css: 'header button[aria-label^="Redo"]' })).click();
  await h.poll('as it became', async () => (await total('stitches')) === sewn);
});
