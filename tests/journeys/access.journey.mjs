// Every place can be used by all: no finding of axe, and the keyboard reaches what the pointer reaches.
import axe from '@axe-core/webdriverjs';
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { startJourney } from './browser.mjs';

const AxeBuilder = axe.default ?? axe;
const { app, driver, h } = await startJourney();
await driver.get(app.address);
const bench = await (await h.find('a[aria-label="Open Ferry crew polo"]')).getAttribute('href');

/** All that axe finds, moderate and minor findings too. */
async function found() {
  // The plain way: the other one gives every command on the page one second, which a slow machine misses.
  const { violations } = await new AxeBuilder(driver).setLegacyMode(true).analyze();
  return violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`);
}

for (const [place, ready] of [
  ['shelf', 'a[aria-label="Open Ferry crew polo"] img'],
  ['brief', 'main select'],
  ['art', 'tbody tr'],
  ['bench', 'canvas[data-until]'],
  ['sewouts', '[data-testid="viewer"] canvas'],
  ['library', '[data-sample="run"] img'],
  ['day', '[data-testid="day-chart"] svg'],
]) {
  test(`${place}: nothing found`, async () => {
    const outside = { shelf: app.address, library: `${app.address}/library`, day: `${app.address}/day` };
    await driver.get(outside[place] ?? bench.replace('/bench', `/${place}`));
    await h.find(ready);
    assert.deepEqual(await found(), []);
  });
}

for (const [part, ready] of [
  ['In the hoop', '[data-copy="0"] image'],
  ['Worksheet', '[data-testid="stops"]'],
  ['Time and thread', '[aria-label="From the shelves"]'],
  ['Price', '[data-testid="price-steps"] svg'],
  ['Machine', '[data-testid="machine-says"]'],
]) {
  test(`floor, ${part.toLowerCase()}: nothing found`, async () => {
    await driver.get(bench.replace('/bench', '/floor'));
    await h.find('[data-copy="0"] image');
    await driver.findElement({ xpath: `//nav[@aria-label="Parts of the floor"]/button[contains(., "${part}")]` }).click();
    await h.find(ready);
    assert.deepEqual(await found(), []);
  });
}

for (const [part, ready] of [
  ['How it was sewn', '#test-panel textarea'],
  ['What it taught', '[data-testid="learned"]'],
  ['Compare tests', '[data-testid="compare-tests"] canvas'],
  ['Find a fault', '[data-step]'],
]) {
  test(`sew-outs, ${part.toLowerCase()}: nothing found`, async () => {
    await driver.get(bench.replace('/bench', '/sewouts'));
    await (await h.findText('button', part)).click();
    await h.find(ready);
    assert.deepEqual(await found(), []);
  });
}

for (const page of ['Faces', 'Cloths', 'Threads', 'Shop', 'Schools']) {
  test(`library, ${page.toLowerCase()}: nothing found`, async () => {
    await driver.get(`${app.address}/library`);
    await (await h.findText('button', page)).click();
    await h.find(
      { Faces: '[data-face-sheet="treadle"] img', Cloths: '[data-testid="cloth-sample"] img' }[page] ?? 'button[aria-current="page"]',
    );
    assert.deepEqual(await found(), []);
  });
}

test('a chosen piece with all its tools open: nothing found', async () => {
  await driver.get(bench);
  await h.sewn();
  await (await h.findText('button', 'Wing')).click();
  await (await h.find('[data-testid="shape-tools"] summary')).click();
  await (await h.find('[data-testid="more-settings"] summary')).click();
  await (await h.find('ol[aria-label="Layers in sewing order"] summary')).click();
  assert.deepEqual(await found(), []);
});

test('a text with what can be done to it: nothing found', async () => {
  await driver.get(bench);
  await h.sewn();
  await (await h.findText('button', 'FERRY CREW')).click();
  await h.find('[data-testid="lettering"]');
  await (await h.findText('button', 'Border round it')).click();
  await h.find('[data-testid="follows"]');
  assert.deepEqual(await found(), []);
  await (await h.find('[data-testid="follows"] button')).click();
  await h.find('[data-testid="lettering"]');
  assert.deepEqual(await found(), []);
  await driver.actions().keyDown('\uE009').sendKeys('z').keyUp('\uE009').perform();
});

const OPENED = [
  ['the palette', () => h.key('/'), '#palette-list [role="option"]'],
  ['keys and help', () => h.key('?'), '[role="dialog"]'],
  ['what can be taken away', async () => (await h.findText('button', 'Take away')).click(), '[role="menu"], [role="dialog"]'],
  ['the proof', async () => (await h.find('[data-testid="findings"]')).click(), '[data-testid="proof-panel"]'],
  [
    'the cones',
    async () => {
      await (await h.findText('button', 'Wing')).click();
      await (await h.find('[data-testid="thread-choice"]')).click();
    },
    '[role="listbox"]',
  ],
  [
    'a word of the craft',
    async () => {
      await (await h.findText('button', 'Wing')).click();
      await (await h.find('[data-setting] button[aria-label^="What is this?"]')).click();
    },
    '[data-testid="what-is-this"]',
  ],
  ['a tool in hand', () => h.key('d'), '[data-testid="thread-in-hand"]'],
];
for (const [name, open, ready] of OPENED) {
  test(`${name}, opened: nothing found`, async () => {
    await driver.get(bench);
    await h.sewn();
    await open();
    await h.find(ready);
    assert.deepEqual(await found(), []);
  });
}

test('each look of the bench, and the comparison: nothing found', async () => {
  await driver.get(bench);
  await h.sewn();
  for (const look of ['Thread', 'Needle', 'Path', 'Pull', 'Weight']) {
    await (await h.findText('button', look)).click();
    await driver.sleep(400);
    assert.deepEqual(await found(), [], look);
  }
  await driver.get(await (await h.find('a[aria-label^="Compare with another"]')).getAttribute('href'));
  await h.find('[data-testid="compare-figures"]');
  assert.deepEqual(await found(), []);
});

test('pieces are chosen and moved from the keyboard', async () => {
  await driver.get(bench);
  await h.sewn();
  const first = () => h.text('aside[aria-label="Stitch card"]');
  await driver.actions().sendKeys('n').perform();
  await h.find('[data-testid="sentence"]');
  assert.match(await first(), /Sewn 1 of/);
  await driver.actions().sendKeys(']').perform();
  await h.poll('moved', async () => /Sewn 2 of/.test(await first()));
  await driver.actions().keyDown('\uE009').sendKeys('z').keyUp('\uE009').perform();
  await h.poll('moved back', async () => /Sewn 1 of/.test(await first()));
});

test('a setting behind ‘Ends, corners, ties’ changes the stitches and can be given back', async () => {
  await driver.get(bench);
  await h.sewn();
  await (await h.findText('button', 'Neck')).click();
  await (await h.findText('summary', 'Ends, corners, ties')).click();
  const stitches = () => h.text('[data-testid="piece-stitches"]');
  const before = await stitches();
  const foam = await h.find('[data-setting="Foam"] input');
  await foam.clear();
  await foam.sendKeys('3', '\uE007');
  await h.poll(
    'dense over foam',
    async () => (await stitches()) !== before && /on 3 mm of foam/.test(await h.text('[data-testid="sentence"]')),
  );
  await (await h.find('button[aria-label="Foam: set by hand; reset"]')).click();
  await h.poll('as before', async () => (await stitches()) === before);
});

test('headers keep everything at home', async () => {
  const response = await fetch(app.address);
  const policy = response.headers.get('content-security-policy');
  assert.match(policy, /default-src 'self'/);
  assert.match(policy, /script-src 'self' 'nonce-/);
  assert.doesNotMatch(policy, /script-src[^;]*unsafe-inline/);
});
