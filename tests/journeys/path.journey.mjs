// The needle's path: a proposal taken, a start pinned, a piece dragged in the order, a cut saved, a replay that waits.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { bundleOf, jobRecord, startJourney } from './browser.mjs';

/** Six pennants side by side in a jumbled order, a flag that stands alone, and a band of another thread. */
const jumbled = jobRecord(
  'Regatta bunting',
  [
    ...[3, 0, 5, 1, 4, 2].map((i) => ({ name: `Pennant ${i + 1}`, area: `M${i * 5.6 - 18},-10 h5 v14 h-5 Z` })),
    { name: 'Flag', area: 'M-4,-40 h8 v8 h-8 Z' },
    { name: 'Band', thread: 't2', area: 'M-34,8 h62 v5 h-62 Z' },
    { name: 'Plate', thread: 't3', area: 'M-34,20 h50 v18 h-50 Z M-30,24 v10 h10 v-10 Z M-5,26 v6 h6 v-6 Z' },
  ],
  {
    threads: [
      { id: 't2', code: 'Q310', name: 'Tar', hex: '#20242c', weight: 40 },
      { id: 't3', code: 'Q118', name: 'Oat', hex: '#d8c9a3', weight: 40 },
    ],
  },
);
const { app, driver, h } = await startJourney();
const bundle = bundleOf(jumbled);
await h.openBundle(app, bundle);

const key = (k) => h.key(k);
const trims = async () => Number(await h.total('trims'));
const order = async () =>
  driver.executeScript('return [...document.querySelectorAll("[data-piece]")].map((e) => e.dataset.piece).join(" ")');

test('a proposal shows its counts, and trims fall when it is taken', async () => {
  await h.withControl('\uE007');
  await h.find('[data-testid="route-panel"]');
  const jumbled = await trims();
  await (await h.findText('label', 'Fewest stops')).click();
  await (await h.findText('button', 'Look for a better order')).click();
  await h.find('[data-testid="proposal"]');
  assert.equal(await trims(), jumbled, 'nothing changes before it is taken');
  await (await h.findText('button', 'Take this order')).click();
  await h.poll('fewer trims', async () => (await trims()) < jumbled);
});

test('a cut that is left is explained and saved by sewing across', async () => {
  const cut = await h.find('[data-cut="open"]');
  assert.match(await cut.getText(), /no later cover/i);
  const before = await trims();
  await cut.findElement({ xpath: './/button[contains(., "Sew across")]' }).click();
  await h.poll('one cut fewer', async () => (await trims()) === before - 1);
});

const drag = (origin, x, y) =>
  driver
    .actions()
    .move({ origin })
    .press()
    .move({ origin, x: Math.round(x / 2), y: Math.round(y / 2) })
    .move({ origin, x, y })
    .release()
    .perform();

test('a way is dragged to lead through another place, and a cut to where the piece before it should end', async () => {
  await (await h.find('section[aria-label="The path"] button[aria-label="Close"]')).click();
  await (await h.findText('button', 'Path')).click();
  const length = async () =>
    driver.executeScript(
      `return document.querySelector('[data-testid="path-marks"] [aria-label^="Way to ‘Flag"]').getBoundingClientRect().x`,
    );
  await h.find('[data-testid="path-marks"] [aria-label^="Way to ‘Flag"]');
  const before = await length();
  await drag(await h.find('[data-testid="path-marks"] [aria-label^="Way to ‘Flag"]'), 60, -10);
  await h.poll('the way is elsewhere', async () => Math.abs((await length()) - before) > 20);
  await key('\uE00C');
  const cut = await h.find('[data-testid="path-marks"] [aria-label^="Cut after ‘Band’"]');
  await drag(cut, -120, 4);
  await h.find('[data-testid="sentence"]');
  await driver.executeScript('document.activeElement.blur()');
  await key('e');
  await h.find('[data-testid="ends"] [aria-label="End, pinned"]');
  await key('q');
  await key('\uE00C');
});

test('one opening is sewn over and the other stays open', async () => {
  await (await h.findText('button', 'Plate')).click();
  await (await h.find('[data-testid="openings"] summary')).click();
  await h.poll('what it would change', async () => /[+−]\d+ stitches/.test(await h.text('[data-testid="openings"]')));
  const stitches = async () => Number((await h.text('[data-testid="piece-stitches"]')).replace(/,/g, ''));
  const before = await stitches();
  await (await h.findText('label', 'Opening 2 sewn over')).click();
  await h.poll('more stitches', async () => (await stitches()) !== before);
  const ticks = await driver.findElements({ css: '[data-testid="openings"] input' });
  assert.deepEqual(await Promise.all(ticks.map((t) => t.isSelected())), [false, true]);
  await driver.executeScript('document.activeElement.blur()');
  await key('\uE00C');
});

test('the replay waits at a trim', async () => {
  await (await h.find('label[title="Wait at every trim"] input')).click();
  await driver.executeScript('document.activeElement.blur()');
  await key('\uE011');
  await h.poll('it stands', async () => (await driver.findElements({ css: 'button[aria-label="Sew (Space)"]' })).length === 1);
  const at = Number(await driver.executeScript('return document.querySelector("[role=slider]").getAttribute("aria-valuenow")'));
  const all = Number(await driver.executeScript('return document.querySelector("[role=slider]").getAttribute("aria-valuemax")'));
  assert.ok(at > 0 && at < all, `stands at ${at} of ${all}`);
  await key('\uE010');
  await (await h.find('label[title="Wait at every trim"] input')).click();
});

test('a start is pinned where it is dragged, and stays there', async () => {
  await (await h.findText('button', 'Flag')).click();
  await h.find('[data-testid="sentence"]');
  await driver.executeScript('document.activeElement.blur()');
  await key('e');
  const start = await h.find('[data-testid="ends"] [aria-label^="Start"]');
  await driver.actions().move({ origin: start }).press().move({ origin: start, x: 12, y: 9 }).release().perform();
  await h.find('[data-testid="ends"] [aria-label="Start, pinned"]');
  await key('q');
  await key('\uE00C');
});

test('a piece is dragged to another place in the order', async () => {
  const before = await order();
  const handles = await driver.findElements({ css: '[data-piece]' });
  const first = await handles[0].getRect();
  const last = await handles[handles.length - 1].getRect();
  const y = Math.round(first.y + 60);
  await driver
    .actions()
    .move({ x: Math.round(first.x + first.width / 2), y })
    .press()
    .move({ x: Math.round(first.x + 40), y })
    .move({ x: Math.round(last.x + last.width - 3), y })
    .release()
    .perform();
  await h.poll('another order', async () => (await order()) !== before);
  assert.equal((await order()).split(' ').at(-1), before.split(' ')[0]);
});
