// Inches everywhere once they are chosen: every place and part of a job is walked, and none may show a length in millimetres.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import { pdfWords } from './pdfWords.mjs';
import { startJourney } from './browser.mjs';

const { app, driver, h } = await startJourney();
await driver.get(app.address);
const bench = await (await h.find('a[aria-label="Open Ferry crew polo"]')).getAttribute('href');
const at = (place) => driver.get(bench.replace('/bench', `/${place}`));

/** What is shown, named or hinted at anywhere on the page and speaks of millimetres. */
const strays = () =>
  driver.executeScript(`
    const found = new Set();
    const look = (text, where) => /(^|[^\\w])mm(²|\\b)|illimetre/.test(text) && found.add(where + ': ' + text.trim().slice(0, 90));
    const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let n; (n = walk.nextNode()); ) {
      const el = n.parentElement;
      if (el.closest('script,style,noscript')) continue;
      look(n.data.trim() === 'mm' ? 'mm' : n.data, 'text of ' + (el.parentElement?.closest('[aria-label],[data-testid]')?.getAttribute('aria-label') ?? el.tagName));
    }
    for (const el of document.body.querySelectorAll('*')) {
      for (const a of ['aria-label', 'title', 'placeholder', 'alt']) if (el.hasAttribute(a)) look(el.getAttribute(a), a);
    }
    return [...found].filter((t) => !/: Millimetres$/.test(t));`);

async function bare(what) {
  assert.deepEqual(await strays(), [], what);
}

test('inches are chosen once, in the brief', async () => {
  await at('brief');
  await (await h.findText('option', 'Inches')).click();
  await h.saved();
  await bare('brief');
});

test('art', async () => {
  await at('art');
  await h.find('tbody tr');
  await h.find('[data-testid="size-report"]');
  await bare('art');
});

test('bench: cloth, card, layers, findings, looks and measures', async () => {
  await at('bench');
  await h.sewn();
  await h.find('[data-testid="findings"][data-fresh="true"]');
  await bare('bench');
  await (await h.findText('button', 'Wing')).click();
  for (const more of [
    '[data-testid="shape-tools"] summary',
    '[data-testid="more-settings"] summary',
    'ol[aria-label="Layers in sewing order"] summary',
  ])
    await (await h.find(more)).click();
  await bare('a piece with all of its card');
  await at('bench');
  await h.sewn();
  await (await h.findText('button', 'FERRY CREW')).click();
  await h.find('[data-testid="lettering"]');
  await bare('a text');
  await h.key('\uE00C');
  for (const look of ['Path', 'Pull', 'Weight', 'Photo']) {
    await (await h.findText('button', look)).click();
    if (look === 'Pull') await h.find('[data-testid="pull-legend"]');
    if (look === 'Weight') await h.poll('the weights', () => driver.executeScript('return /layer/.test(document.body.innerText)'));
    await bare(`look ${look}`);
  }
});

test('bench: the proof and the route', async () => {
  await (await h.find('[data-testid="findings"]')).click();
  await h.find('[data-testid="proof-panel"]');
  await bare('proof');
});

for (const part of ['In the hoop', 'Worksheet', 'Time and thread', 'Price', 'Machine', 'On the garment'])
  test(`floor, ${part}`, async () => {
    await at('floor');
    await h.find('[data-copy="0"] image');
    const found = await driver.findElements({ xpath: `//nav[@aria-label="Parts of the floor"]/button[contains(., "${part}")]` });
    assert.ok(found.length > 0, part);
    await found[0].click();
    await driver.sleep(700);
    await bare(part);
  });

for (const part of ['How it was sewn', 'What it taught', 'Compare tests', 'Find a fault'])
  test(`sew-outs, ${part}`, async () => {
    await at('sewouts');
    await (await h.findText('button', part)).click();
    await driver.sleep(700);
    await bare(part);
  });

test('the library shows inches when the shop does', async () => {
  await driver.get(`${app.address}/library#shop`);
  await (await h.findText('option', 'Inches')).click();
  for (const page of ['Ways of sewing', 'Faces', 'Cloths', 'Threads', 'Hoops, needles', 'Shop', 'Schools']) {
    await (await h.findText('button', page)).click();
    await driver.sleep(400);
    await bare(`library, ${page}`);
  }
  await driver.get(`${app.address}/day`);
  await driver.sleep(700);
  await bare('day');
});

test('the headless tool takes and tells inches, and its papers are set in them', async () => {
  const paper = join(mkdtempSync(join(tmpdir(), 'cobble-inches-')), 'sheet.pdf');
  const art = 'tests/fixtures/lantern.svg';
  const told = execFileSync(join(process.cwd(), 'bin', 'cobble'), ['plan', art, '--width', '2', '--units', 'in', '--out', paper], {
    encoding: 'utf8',
  });
  assert.match(told, /2\.\d+ x [\d.]+ in/);
  const words = await pdfWords(paper);
  assert.doesNotMatch(words, /(^|\W)mm\b/);
  assert.match(words, /\d in\b/);
});
