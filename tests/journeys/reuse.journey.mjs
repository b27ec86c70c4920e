// Using work again: guides, copies from job to job, pieces of a like setting, effects before a choice, another drawing beneath.
import assert from 'node:assert/strict';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import { startJourney } from './browser.mjs';

const { app, driver, h } = await startJourney();
const ferry = await h.openDemo(app);

const key = (k) => h.key(k);
const withControl = (k) => h.withControl(k);
const count = (css) => h.count(css);

test('two guides tell the letter height between them', async () => {
  await key('=');
  for (const y of [10, -2])
    await driver
      .actions()
      .move(await h.pixel(20, y))
      .click()
      .perform();
  await h.poll('a height', async () => (await count('[data-testid="guide-height"]')) === 1);
  const told = Number.parseFloat(await h.text('[data-testid="guide-height"] text'));
  assert.ok(Math.abs(told - 12) <= 0.4, `12 mm apart, told ${told}`);
  await key('q');
  await key("'");
  await withControl('z');
  await h.poll('one guide left', async () => (await count('[data-testid="guide-height"]')) === 0);
});

test('a setting’s name chooses every piece sewn alike', async () => {
  await (await h.findText('button', 'Neck')).click();
  await h.find('[data-setting="Underlay"] button[title^="Choose every piece"]');
  await (await h.find('[data-setting="Underlay"] button[title^="Choose every piece"]')).click();
  const title = await h.text('[data-testid="many"] h2');
  assert.match(title, /^\d+ pieces chosen/);
  const mixed = await driver.findElements({ xpath: '//*[@data-setting="Underlay"]//*[text()="mixed"]' });
  assert.equal(mixed.length, 0, 'all chosen have the same underlay');
  await key('\uE00C');
});

test('a tick says what it would change before it is made', async () => {
  await (await h.findText('button', 'Neck')).click();
  await h.find('[data-testid="sentence"]');
  const before = await h.total('stitches');
  const label = await h.find('[data-setting="Underlay"] label');
  await driver.actions().move({ origin: label }).perform();
  await h.poll('an effect', async () => (await count('[data-setting="Underlay"] [data-testid="effect"]')) === 1);
  assert.match(await h.text('[data-setting="Underlay"] [data-testid="effect"]'), /stitches/);
  assert.equal(await h.total('stitches'), before);
});

test('a copy goes to another job with its thread', async () => {
  await withControl('c');
  await h.saved();
  await driver.executeScript('document.querySelector(`a[href="/"]`).click()');
  const input = await h.find('input[type=file]');
  const folder = mkdtempSync(join(tmpdir(), 'cobble-art-'));
  const file = join(folder, 'plank.svg');
  writeFileSync(
    file,
    '<svg xmlns="http://www.w3.org/2000/svg" width="50mm" height="20mm" viewBox="0 0 50 20"><path d="M0,0 H50 V20 H0 Z" fill="#b04a2a"/></svg>',
  );
  await input.sendKeys(file);
  await h.poll(
    'its own page',
    async () => !(await driver.getCurrentUrl()).includes(ferry.split('/').at(-2)) && (await driver.getCurrentUrl()).includes('/job/'),
  );
  const url = (await driver.getCurrentUrl()).replace(/\/[a-z]+$/, '/bench');
  await (await h.findText('a', 'Bench')).click();
  await h.poll('the bench', async () => (await driver.getCurrentUrl()) === url);
  await h.sewn();
  assert.equal(await h.total('threads'), '1');
  await withControl('v');
  await h.poll('two threads', async () => (await h.total('threads')) === '2');
  await key('\uE00C');
  await h.poll('two pieces', async () => (await count('[data-piece]')) === 2);
});

test('another drawing is laid beneath, and the pieces stay', async () => {
  const url = await driver.getCurrentUrl();
  await (await h.findText('a', 'Art')).click();
  await h.find('tbody tr');
  const folder = mkdtempSync(join(tmpdir(), 'cobble-art-'));
  const file = join(folder, 'oar.svg');
  writeFileSync(
    file,
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 50 20"><circle cx="9" cy="10" r="9" fill="#225588"/><path d="M20,8 H50 V12 H20 Z" fill="#c8a030"/></svg>',
  );
  await (await h.find('input[aria-label="Other artwork"]')).sendKeys(file);
  await h.poll('two regions', async () => (await count('tbody tr')) === 2);
  assert.match(await (await h.findText('p', 'pieces on the bench were made')).getText(), /another drawing/);
  await (await h.find('button[aria-label="Turn the artwork by a quarter"]')).click();
  await h.poll('it stands upright', async () => {
    const [w, hh] = (await h.text('[data-testid="art-size"]')).split('×').map(Number.parseFloat);
    return hh > 2 * w;
  });
  await (await h.findText('a', 'Bench')).click();
  await h.poll('the bench', async () => (await driver.getCurrentUrl()) === url);
  await h.sewn();
  await h.poll('the new drawing beneath', async () => (await count('[data-testid="artwork-beneath"][data-regions="2"]')) === 1);
  await h.poll('two pieces', async () => (await count('[data-piece]')) === 2);
  await h.saved();
  await driver.navigate().refresh();
  await h.sewn();
  await h.poll('still beneath after a reload', async () => (await count('[data-testid="artwork-beneath"][data-regions="2"]')) === 1);
});
