// Hands on the Bench: what keys, drags, signs and notices do, as a person who works fast would find it.
import assert from 'node:assert/strict';
import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import { bundleOf, jobRecord, startJourney } from './browser.mjs';
import { pdfWords } from './pdfWords.mjs';

const { app, driver, downloads, h } = await startJourney();
const ESC = '\uE00C';
const DELETE = '\uE017';
const BACKSPACE = '\uE003';
const ENTER = '\uE007';

const square = (x, y, s = 20) => ({ area: `M${x},${y} h${s} v${s} h${-s} Z` });
const file = (name, text) => {
  const path = join(mkdtempSync(join(tmpdir(), 'cobble-art-')), name);
  writeFileSync(path, text);
  return path;
};
const pieces = () => h.count('[data-piece]');
const undo = async () => (await (await h.find('header button[aria-label^="Undo"]')).getAttribute('aria-label')) ?? '';
const box = () =>
  driver.executeScript("const b = document.querySelector('[data-testid=selection]')?.getBBox(); return b && { x: b.x, y: b.y };");
async function drag(from, to) {
  const [a, b] = [await h.pixel(...from), await h.pixel(...to)];
  const half = { x: Math.round((a.x + b.x) / 2), y: Math.round((a.y + b.y) / 2) };
  await driver.actions().move(a).press().move(half).move(b).release().perform();
}
const take = async (format) => {
  await (await h.find('header button[aria-haspopup="menu"]')).click();
  await (await h.findText('*[@role="menuitem"]', format)).click();
};
async function click(x, y) {
  await driver
    .actions()
    .move(await h.pixel(x, y))
    .press()
    .release()
    .perform();
}

test('before the proof has looked, nothing is said to be found', async () => {
  await h.openBundle(app, bundleOf(jobRecord('Hands', [square(-40, -30), square(10, 5), square(-30, 20)])));
  assert.match(await h.text('[data-testid="findings"]'), /checking|[1-9]/);
  await h.poll('the proof', async () => (await (await h.find('[data-testid="findings"]')).getAttribute('data-fresh')) === 'true');
  assert.doesNotMatch(await h.text('[data-testid="findings"]'), /checking/);
});

test('the counter tells the stitches that the totals tell', async () => {
  const total = await h.total('stitches');
  assert.equal((await h.text('[data-testid="play-position"]')).split('/')[1].trim().split(/\s/)[0], total);
});

test('a chosen piece is dragged, the view is not; undo and Esc take it back', async () => {
  await click(-30, -20);
  await h.find('[data-testid="selection"]');
  const before = await box();
  await drag([-30, -20], [-20, -25]);
  await h.poll('moved', async () => Math.abs((await box()).x - before.x - 10) < 0.4 && Math.abs((await box()).y - before.y + 5) < 0.4);
  assert.match(await undo(), /Move/);
  await h.withControl('z');
  await h.poll('back', async () => Math.abs((await box()).x - before.x) < 0.01);
  const [a, b] = [await h.pixel(-30, -20), await h.pixel(0, 0)];
  await driver
    .actions()
    .move(a)
    .press()
    .move({ x: a.x + 20, y: a.y })
    .move(b)
    .perform();
  await h.poll('on its way', async () => Math.abs((await box()).x - before.x) > 5);
  await h.key(ESC);
  await driver.actions().release().perform();
  await h.poll('given up', async () => Math.abs((await box()).x - before.x) < 0.01);
});

test('a dragged piece catches on the hoop’s centre lines', async () => {
  await click(20, 15);
  await h.poll('chosen', async () => Math.abs((await box()).x - 10) < 0.5);
  const scale = Number((await h.text('footer')).match(/([\d.]+) px\/mm/)[1]);
  await drag([20, 15], [0 + 4 / scale, 30]);
  await h.poll('centred', async () => Math.abs((await box()).x + 10) < 0.02);
  await h.withControl('z');
});

test('Delete with the nodes tool takes out a node, never the piece', async () => {
  const before = await pieces();
  await h.key('g');
  await h.find('[data-testid="nodes"]');
  const nodes = () => h.count('[data-testid="nodes"] g[role=button]');
  const had = await nodes();
  await h.key(DELETE);
  await h.find('[data-sonner-toast]');
  assert.equal(await pieces(), before);
  await click(30, 5);
  await h.key(DELETE);
  await h.poll('a node less', async () => (await nodes()) === had - 1);
  assert.equal(await pieces(), before);
  await h.withControl('z');
  await h.key(ESC);
});

test('Delete with the slants tool takes away a slant, never the piece', async () => {
  const before = await pieces();
  await h.key('t');
  await drag([12, 10], [26, 14]);
  await h.poll('a slant', async () => (await h.count('[data-testid="slants"] > g')) === 1);
  await click(19, 12);
  await h.key(DELETE);
  await h.poll('no slant', async () => (await h.count('[data-testid="slants"] > g')) === 0);
  assert.equal(await pieces(), before);
  await h.key(ESC);
});

test('removing a piece says so, and the notice brings it back; Backspace removes too', async () => {
  const before = await pieces();
  for (const k of [DELETE, BACKSPACE]) {
    await click(20, 15);
    await h.find('[data-testid="selection"]');
    await h.key(k);
    await h.poll('one less', async () => (await pieces()) === before - 1);
    await (await h.findText('button', 'Undo')).click();
    await h.poll('back again', async () => (await pieces()) === before);
    await h.poll('the notice goes', async () => (await driver.findElements({ xpath: "//button[normalize-space(.)='Undo']" })).length === 0);
  }
});

test('after a number field the keys of the Bench work at once', async () => {
  await click(20, 15);
  const field = await h.find('[data-setting="Spacing"] input');
  await field.clear();
  await field.sendKeys('0.6', ENTER);
  await h.poll('set', async () => /Set spacing/.test(await undo()));
  await h.withControl('z');
  await h.poll('undone', async () => !/Set spacing/.test(await undo()));
  await h.withControl('y');
  await h.poll('redone', async () => /Set spacing/.test(await undo()));
  await field.click();
  await field.sendKeys('7', ESC);
  assert.equal(await driver.executeScript('return document.activeElement.tagName'), 'BODY');
  assert.match(await field.getAttribute('value'), /^0\.60/);
});

test('undo works from a field in which nothing was typed', async () => {
  const field = await h.find('[data-setting="Spacing"] input');
  await field.click();
  await h.withControl('z');
  await h.poll('undone', async () => !/Set spacing/.test(await undo()));
  await field.sendKeys(ESC);
});

test('after a choice by pointer a letter does not choose again', async () => {
  const kind = await h.find('aside select');
  const value = await kind.getAttribute('value');
  await kind.click();
  await driver.executeScript('arguments[0].blur()', kind);
  await driver.executeScript(
    "const s = arguments[0]; s.dispatchEvent(new PointerEvent('pointerdown', { bubbles: true })); s.focus(); s.dispatchEvent(new Event('change', { bubbles: true }));",
    kind,
  );
  assert.notEqual(await driver.executeScript('return document.activeElement.tagName'), 'SELECT');
  await h.key('s');
  assert.equal(await kind.getAttribute('value'), value);
});

test('after a tool or speed button Space sews', async () => {
  await (await h.find('button[aria-label="60 stitches a second"]')).click();
  await h.key(' ');
  await h.find('button[aria-label^="Stop sewing"]');
  await h.key(' ');
  await h.find('button[aria-label^="Sew (Space)"]');
  await (await h.find('button[aria-label^="Measure"]')).click();
  await h.key(' ');
  await h.find('button[aria-label^="Stop sewing"]');
  await h.key(' ');
  await h.key('q');
});

test('brackets typed with AltGr move a piece in the order', async () => {
  await click(20, 15);
  const at = () =>
    driver.executeScript(
      "return [...document.querySelectorAll('[data-piece]')].findIndex((b) => b.getAttribute('aria-pressed') === 'true')",
    );
  const before = await at();
  await driver.executeScript(
    "window.dispatchEvent(new KeyboardEvent('keydown', { key: ']', ctrlKey: true, altKey: true, bubbles: true, cancelable: true }))",
  );
  await h.poll('later', async () => (await at()) === before + 1);
  await h.withControl('z');
});

test('a piece removed while the needle stands in it leaves a counter that is right', async () => {
  await h.key(ESC);
  const total = async () =>
    (await h.text('[data-testid="play-position"]')).split('/').map((t) => Number(t.trim().split(/\s/)[0].replace(',', '')));
  await driver.executeScript("document.querySelector('[role=slider][aria-label=Playhead]').focus()");
  await h.key(',');
  await h.key(',');
  await click(20, 15);
  await h.key(DELETE);
  await h.poll('all sewn', async () => {
    const [now, all] = await total();
    return now <= all;
  });
  assert.equal(await h.count('[transform*="undefined"]'), 0);
  await h.withControl('z');
});

test('a finding that is chosen is marked on the cloth with its pieces; severe ones are asked about before a file leaves', async () => {
  await h.openBundle(app, bundleOf(jobRecord('Outside', [square(45, -10, 30), square(-20, 0)])));
  await (await h.find('[data-testid="findings"]')).click();
  await (await h.find('[data-finding="outside-hoop"] button')).click();
  await h.find('[data-testid="finding-mark"]');
  await h.find('[data-testid="selection"]');
  assert.equal((await h.count('[data-sign="stop"] path, svg[data-sign="stop"]')) > 0, true);
  await take('Motion words');
  assert.match(await h.text('[data-testid="take-away-question"]'), /outside the hoop/);
  await (await h.findText('button', 'Not now')).click();
  assert.equal(readdirSync(downloads).filter((f) => f.endsWith('.gcode')).length, 0);
  await take('Motion words');
  await (await h.findText('button', 'all the same')).click();
  await h.poll('the file', async () => readdirSync(downloads).filter((f) => f.endsWith('.gcode')).length === 1);
});

test('the worksheet lists what is open', async () => {
  await take('Worksheet');
  await (await h.findText('button', 'all the same')).click();
  const sheets = () => readdirSync(downloads).filter((f) => f.endsWith('.pdf'));
  await h.poll('the worksheet', async () => sheets().length === 1);
  const words = await pdfWords(join(downloads, sheets()[0]));
  assert.match(words, /Open findings: \d/);
  assert.match(words, /outside the hoop/);
});

test('its fix is the next hoop, and then it leaves freely', async () => {
  await (await h.findText('button', 'Take the hoop of')).click();
  await h.poll('mended', async () => (await h.count('[data-finding="outside-hoop"]')) === 0);
});

test('a drawing that would just fill a hoop gets one with room', async () => {
  await driver.get(app.address);
  const art =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 80 100" width="80mm" height="100mm"><rect width="80" height="100" fill="#225577"/></svg>';
  await (await h.find('input[type=file]')).sendKeys(file('flag.svg', art));
  await h.poll('a job', async () => /\/job\//.test(await driver.getCurrentUrl()));
  await driver.get((await driver.getCurrentUrl()).replace(/\/[a-z]+$/, '/bench'));
  await h.sewn();
  await h.poll('the proof', async () => (await (await h.find('[data-testid="findings"]')).getAttribute('data-fresh')) === 'true');
  await (await h.find('[data-testid="findings"]')).click();
  await h.find('[data-testid="proof-panel"]');
  assert.equal(await h.count('[data-finding="outside-hoop"]'), 0);
});

test('another size in the brief is said in every place until the pieces have it; scaling keeps them', async () => {
  const bench = await driver.getCurrentUrl();
  await driver.get(bench.replace('/bench', '/brief'));
  const field = await h.findText('label', 'Width');
  const input = await driver.findElement({ id: await field.getAttribute('for') });
  await input.clear();
  await input.sendKeys('60', ENTER);
  await h.find('[data-testid="size-gap"]');
  await h.saved();
  for (const place of ['art', 'bench']) {
    await driver.get(bench.replace('/bench', `/${place}`));
    assert.match(await h.text('[data-testid="size-gap"]'), /60\.0 mm in width.*80\.0 mm/);
  }
  await h.sewn();
  await (await h.findText('button', 'Scale the pieces')).click();
  await h.poll('at that size', async () => /^6[01]\.\d mm/.test(await h.total('size')));
  assert.equal(await h.count('[data-testid="size-gap"]'), 0);
  await h.withControl('z');
  await h.find('[data-testid="size-gap"]');
  await (await h.findText('button', 'Make them again')).click();
  await h.poll('made again', async () => (await h.count('[data-testid="size-gap"]')) === 0);
  await h.poll('at that size', async () => /^6[01]\.\d mm/.test(await h.total('size')));
});

test('mirror signs show the line that they mirror across', async () => {
  await click(0, 0);
  const sign = async (name) =>
    (await driver.executeScript(
      'return document.querySelector(`button[aria-label^="${arguments[0]}"] svg`).getAttribute(\'class\')',
      name,
    )) ?? '';
  assert.match(await sign('Mirror a copy across the upright'), /vertical/);
  assert.match(await sign('Mirror a copy across the level'), /horizontal/);
});
