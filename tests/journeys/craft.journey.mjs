// Working on shapes and sizes with real pointer events: cut, join, regions of the artwork, box, effect, size report, own recipes.
import assert from 'node:assert/strict';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import { startJourney } from './browser.mjs';

const { app, driver, h } = await startJourney();
const ferry = await h.openDemo(app);

const ESC = '\uE00C';
const SHIFT = '\uE008';
const key = (k) => driver.actions().sendKeys(k).perform();
const pixel = (x, y) => h.pixel(x, y);
async function click(x, y) {
  await driver
    .actions()
    .move(await pixel(x, y))
    .press()
    .release()
    .perform();
}
async function drag(from, to, held) {
  const [a, b] = [await pixel(...from), await pixel(...to)];
  const half = { x: Math.round((a.x + b.x) / 2), y: Math.round((a.y + b.y) / 2) };
  const hand = held ? driver.actions().keyDown(held) : driver.actions();
  const moved = hand.move(a).press().move(half).move(b).release();
  await (held ? moved.keyUp(held) : moved).perform();
}
const pieces = async () => (await driver.findElements({ css: '[data-piece]' })).length;
const stitches = async () => h.text('[data-total="stitches"]');

test('a drawn area is cut in two and joined again', async () => {
  const before = await pieces();
  await key('d');
  for (const p of [
    [-48, 20],
    [-28, 20],
    [-28, 40],
    [-48, 40],
    [-48, 20],
  ])
    await click(...p);
  await h.poll('an area', async () => (await pieces()) === before + 1);
  await key('v');
  await drag([-52, 29], [-24, 33]);
  await h.poll('two parts', async () => (await pieces()) === before + 2);
  assert.match(await h.text('[data-testid="many"] h2'), /2 pieces/);
  await key('q');
  await key('j');
  await h.poll('one again', async () => (await pieces()) === before + 1);
});

test('a cut through nothing says so and changes nothing', async () => {
  const before = await pieces();
  await key('v');
  await drag([44, -47], [48, -47]);
  await h.find('[data-sonner-toast]');
  assert.equal(await pieces(), before);
  await key('q');
  await key(ESC);
});

test('a region of the artwork becomes a piece', async () => {
  const before = await pieces();
  await key('i');
  await h.poll('regions', async () => Number(await (await h.find('[data-testid="regions"]')).getAttribute('data-count')) > 10);
  await click(17, -17);
  await h.poll('one more', async () => (await pieces()) === before + 1);
  await key('q');
  await key(ESC);
});

test('a box chooses what lies in it', async () => {
  await drag([-30, -12], [-18, 34], SHIFT);
  await h.find('[data-testid="many"]');
  await key(ESC);
});

test('pointing at a shape with the tape tells its width there', async () => {
  await key('m');
  // The ring is 4 mm wide, from 38.5 to 42.5 about a middle 4.4 above the hoop’s; one pixel of the screen is about 0.2 mm.
  await driver
    .actions()
    .move(await pixel(0, -44.8))
    .perform();
  await h.poll('a width', async () => (await driver.findElements({ css: '[data-testid="gauge"]' })).length === 1);
  const width = Number(await (await h.find('[data-testid="gauge"]')).getAttribute('data-width'));
  assert.ok(width > 3.5 && width < 5.5, `${width}`);
  await driver
    .actions()
    .move(await pixel(17, -17))
    .perform();
  await h.poll('over the limit', async () => (await (await h.find('[data-testid="gauge"]')).getAttribute('data-over')) === 'true');
  await key('q');
});

test('the effect of a value is told before it is taken', async () => {
  await (await h.findText('button', 'Sky')).click();
  const sewn = await stitches();
  const field = await h.find('[data-setting="Spacing"] input');
  await field.clear();
  await field.sendKeys('32 rows/in');
  await h.poll('an effect', async () => (await driver.findElements({ css: '[data-testid="effect"]' })).length === 1);
  assert.match(await h.text('[data-testid="effect"]'), /−[\d,]+ stitches/);
  assert.equal(await stitches(), sewn);
  await field.sendKeys(ESC);
  await h.poll('no effect', async () => (await driver.findElements({ css: '[data-testid="effect"]' })).length === 0);
  await key(ESC);
});

test('the size report finds a thin bar, widens it, and undo takes it back', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'cobble-art-')), 'bars.svg');
  writeFileSync(
    file,
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 40" width="60mm" height="40mm"><rect width="60" height="10" fill="#225577"/><rect x="10" y="20" width="30" height="0.5" fill="#aa3322"/><rect y="30" width="60" height="10" fill="#225577"/></svg>',
  );
  await driver.get(app.address);
  await (await h.find('input[type=file]')).sendKeys(file);
  await h.poll('a job', async () => /\/job\//.test(await driver.getCurrentUrl()));
  await driver.get((await driver.getCurrentUrl()).replace(/\/(brief|art|bench)$/, '/art'));
  const open = async () => (await h.find('[data-testid="size-report"]')).getAttribute('data-open');
  assert.equal(await open(), '1');
  await (await h.findText('button', 'Widen to 1.2')).click();
  await h.poll('decided', async () => (await open()) === '0');
  assert.match(await h.text('tbody'), /1\.2/);
  await (await h.find('header button[aria-label^="Undo"]')).click();
  await h.poll('open again', async () => (await open()) === '1');
});

test('the artwork is scaled by one feature', async () => {
  await (await h.findText('button', 'Scale by a feature')).click();
  const box = await (await h.find('svg[aria-label="Artwork in the hoop"]')).getRect();
  const middle = { x: Math.round(box.x + box.width / 2), y: Math.round(box.y + box.height / 2) };
  await driver
    .actions()
    .move({ x: middle.x - 80, y: middle.y })
    .press()
    .move({ x: middle.x + 80, y: middle.y })
    .release()
    .perform();
  const measured = Number((await h.text('[data-testid="by-feature"] p')).match(/([\d.]+) mm/)[1]);
  const width = async () => Number((await h.text('[data-testid="art-size"]')).split(' ')[0]);
  const before = await width();
  const field = await h.find('[data-testid="by-feature"] input');
  await field.clear();
  await field.sendKeys(String(measured / 2), '\uE007');
  await h.poll('half as wide', async () => Math.abs((await width()) - before / 2) < 0.8);
});

test('a region is sewn as a person has it, and pieces of one shape are changed together', async () => {
  const chosen = async () => (await h.text('tbody')).includes('chosen by hand');
  await (await h.find('tbody tr:last-child select option[value="drop"]')).click();
  await h.poll('chosen', chosen);
  await (await h.findText('button', 'take back')).click();
  await h.poll('as proposed', async () => !(await chosen()));
  await (await h.findText('button', 'Make 3')).click();
  await h.sewn();
  await (await h.findText('button', 'bar, upper')).click();
  assert.match(await h.text('[data-testid="why"]'), /Satin: [\d.]+ mm at its widest/);
  assert.match(await h.text('[data-testid="why"]'), /same shape as one other/);
  const field = await h.find('[data-setting="Spacing"] input');
  await field.clear();
  await field.sendKeys('0.5', '\uE007');
  await (await h.findText('button', 'All like this')).click();
  await h.poll('alike', async () => (await h.count('[title^="Kind, thread and settings"]')) === 0);
  await (await h.findText('button', 'Choose all')).click();
  assert.match(await h.text('[data-testid="many"] h2'), /2 pieces/);
});

test('true size asks for the screen once', async () => {
  await driver.get(ferry);
  await h.sewn();
  await (await h.find('[data-testid="real-size"]')).click();
  await (await h.findText('button', 'It is as large')).click();
  await h.poll('at true size', async () => /3\.8 px\/mm/.test(await h.text('footer')));
  await key('0');
  await (await h.find('[data-testid="real-size"]')).click();
  await h.poll('without asking again', async () => /3\.8 px\/mm/.test(await h.text('footer')));
});

test('a cloth of the shop says which jobs a change alters, and alters them when told to', async () => {
  await driver.get(`${app.address}/library`);
  await (await h.findText('button', 'Cloths')).click();
  const comesOut = async () => {
    await h.find('[data-testid="cloth-sample"][data-fresh="true"]');
    return parseFloat(await h.text('[data-testid="sample-widths"] td.font-semibold'));
  };
  const usual = await comesOut();
  const field = await h.find('section[aria-label^="Piqué"] input');
  await field.clear();
  await field.sendKeys('0.5', '\uE007');
  await h.find('[data-testid="altered"]');
  await h.poll('the sample comes out wider', async () => (await comesOut()) > usual + 0.1);
  assert.match(await h.text('[data-testid="altered"]'), /Ferry crew polo/);
  await (await h.findText('button', 'Alter them')).click();
  await h.poll('altered', async () => (await h.count('[data-testid="altered"]')) === 0);
  await driver.get(ferry.replace('/bench', '/brief'));
  await h.poll('the new value', async () => /0\.50 mm at each end/.test(await h.text('aside')));
});
