// The main job with the real interface: a drawing is dropped, sized, sewn, changed, taken away, and is still there after a reload.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { test } from 'node:test';
import { By, startJourney } from './browser.mjs';

const COBBLE = join('bin', 'cobble');
const LANTERN = resolve('tests/fixtures/lantern.svg');
const { app, driver, downloads, h } = await startJourney();

const click = async (tag, text) => (await h.findText(tag, text)).click();
const number = async (css, value) => {
  const field = await h.find(css);
  await field.click();
  await driver.executeScript('arguments[0].select()', field);
  await field.sendKeys(value, '\n');
};
const order = () =>
  driver.executeScript(
    "return [...document.querySelectorAll('[data-testid=thread-line] button[data-piece]')].map((b) => b.getAttribute('aria-label').replace(/^\\d+\\. /, ''))",
  );

async function takeAway(extension) {
  const before = new Set(readdirSync(downloads));
  await (await h.find('header button[aria-haspopup=menu]')).click();
  await (
    await driver.wait(async () => {
      const items = await driver.findElements(By.css('[role=menuitem]'));
      for (const item of items) if ((await item.getText()).includes(`.${extension}`)) return item;
      return null;
    }, 90000)
  ).click();
  return driver.wait(async () => {
    const fresh = readdirSync(downloads).find((f) => !before.has(f) && f.endsWith(`.${extension}`));
    return fresh ? join(downloads, fresh) : null;
  }, 90000);
}

test('the shelf shows the demo job, sewn', async () => {
  await driver.get(app.address);
  await h.find('a[aria-label="Open Ferry crew polo"] img');
  const text = await h.text('a[aria-label="Open Ferry crew polo"]');
  assert.match(text, /\d,\d{3} st · \d+ trims/);
});

test('a dropped drawing becomes a job; scripts in it never run', async () => {
  await (await driver.findElement(By.css('input[type=file]'))).sendKeys(LANTERN);
  await h.findText('h1', 'What must it be?');
  assert.equal(await driver.executeScript('return window.pwned'), null);
});

test('the brief takes cloth and size, also in inches, and refuses nonsense', async () => {
  const cloth = await h.find('main select');
  await cloth.findElement(By.css('option[value=twill]')).click();
  await h.findText('h2', 'canvas, denim, twill');
  const width = By.xpath('//label[normalize-space(.)="Width"]/following-sibling::div//input');
  const field = await driver.findElement(width);
  await driver.executeScript('arguments[0].select()', field);
  await field.sendKeys('-4', '\n');
  await h.findText('p', 'Permitted');
  await driver.executeScript('arguments[0].select()', field);
  await field.sendKeys('2.5 in', '\n');
  await h.poll('63.5 mm', async () => (await driver.findElement(width).getAttribute('value')) === '63.5');
});

test('art measures the drawing at that size, lists what it cannot sew, and makes the pieces', async () => {
  await click('a', 'See the artwork at this size');
  await h.poll('size', async () => (await h.text('[data-testid="art-size"]')).startsWith('63.5'));
  await h.findText('li', 'gradient');
  await h.findText('li', 'text');
  await h.findText('li', 'script');
  const rows = await driver.findElements(By.css('tbody tr'));
  assert.ok(rows.length >= 5, `${rows.length} regions`);
  // Nobody changed the pieces, so they have followed the size of themselves.
  await click('main//button', 'To the bench');
  await h.find('[data-testid="cloth"]');
  await h.sewn();
});

test('the totals agree with the headless plan of the same drawing', async () => {
  const report = join(mkdtempSync(join(tmpdir(), 'cobble-')), 'r.json');
  const out = report.replace('.json', '.csv');
  execFileSync(COBBLE, ['plan', LANTERN, '--width', '63.5', '--cloth', 'twill', '--out', out, '--report', report]);
  const figures = JSON.parse(readFileSync(report, 'utf8'));
  assert.equal(await h.total('stitches'), figures.stitches.toLocaleString('en'));
  assert.equal(await h.total('trims'), String(figures.trims));
  const csv = await takeAway('csv');
  assert.equal(readFileSync(csv, 'utf8'), readFileSync(out, 'utf8'), 'browser and headless stitch lists differ');
});

test('a click on the cloth chooses the piece under it, and changing a value sews it anew', async () => {
  const cloth = await h.find('[data-testid="cloth"]');
  const { width, height } = await cloth.getRect();
  await driver
    .actions()
    .move({ origin: cloth, x: Math.round(-width / 2 + width / 2 - 40), y: Math.round(height / 2 - height / 2) })
    .click()
    .perform();
  await h.find('[data-testid="selection"]');
  const before = Number((await h.text('[data-testid="piece-stitches"]')).replace(',', ''));
  assert.match(await h.text('[data-testid="sentence"]'), /Fill at/);
  assert.match(await h.text('[data-setting="Spacing"]'), /recipe/);
  await number('[data-setting="Spacing"] input', '0.8');
  await h.poll('fewer stitches', async () => Number((await h.text('[data-testid="piece-stitches"]')).replace(',', '')) < before * 0.75);
  assert.match(await h.text('[data-setting="Spacing"]'), /hand/);
  await h.saved();
});

test('undo and redo go back and forth', async () => {
  await driver.executeScript('document.activeElement.blur()');
  await driver.actions().keyDown('\uE009').sendKeys('z').keyUp('\uE009').perform();
  await h.poll('recipe again', async () => /recipe/.test(await h.text('[data-setting="Spacing"]')));
  await driver.actions().keyDown('\uE009').keyDown('\uE008').sendKeys('z').keyUp('\uE008').keyUp('\uE009').perform();
  await h.poll('by hand again', async () => /hand/.test(await h.text('[data-setting="Spacing"]')));
});

test('dragging a stretch of the thread line changes the order', async () => {
  const names = await order();
  const handles = await driver.findElements(By.css('[data-testid=thread-line] button[data-piece]'));
  const [first, last] = [await handles[0].getRect(), await handles[handles.length - 1].getRect()];
  const y = Math.round(first.y + 70);
  const from = Math.round(first.x + first.width / 2);
  const to = Math.round(last.x + last.width - 2);
  await driver
    .actions()
    .move({ x: from, y })
    .press()
    .move({ x: from + 20, y })
    .move({ x: Math.round((from + to) / 2), y })
    .move({ x: to, y })
    .release()
    .perform();
  await h.poll('new order', async () => (await order())[names.length - 1] === names[0]);
});

test('the replay sews stitch by stitch and stops', async () => {
  await (await h.find('button[aria-label="To the first stitch"]')).click();
  await h.poll('at the start', async () => /^0 /.test(await h.text('[data-testid="play-position"]')));
  for (let i = 0; i < 3; i++) await (await h.find('button[aria-label="One stitch on (.)"]')).click();
  // The first of the three takes the needle to its place: that is no stitch.
  assert.match(await h.text('[data-testid="play-position"]'), /^2 /);
  await (await h.find('button[aria-label="60 stitches a second"]')).click();
  await (await h.find('button[aria-label="Sew (Space)"]')).click();
  await h.poll('sewing', async () => Number((await h.text('[data-testid="play-position"]')).split(' ')[0].replace(',', '')) > 60);
  await (await h.find('button[aria-label="Stop sewing (Space)"]')).click();
  const stopped = await h.text('[data-testid="play-position"]');
  await driver.sleep(300);
  assert.equal(await h.text('[data-testid="play-position"]'), stopped);
  await h.find('[data-testid="needle"]');
});

test('every file leaves, and the bundle comes back as the same job with the same plan', async () => {
  await h.saved();
  const csv = readFileSync(await takeAway('csv'), 'utf8');
  assert.match(readFileSync(await takeAway('svg'), 'utf8'), /^<svg/);
  assert.match(readFileSync(await takeAway('gcode'), 'utf8'), /G21/);
  const bundle = await takeAway('cobble');
  const out = bundle.replace('.cobble', '-again.csv');
  execFileSync(COBBLE, ['plan', bundle, '--out', out]);
  assert.equal(readFileSync(out, 'utf8'), csv);
  await driver.get(app.address);
  await h.find('a[aria-label="Open lantern"]');
  await (await driver.findElement(By.css('input[type=file]'))).sendKeys(bundle);
  await h.find('[data-testid="cloth"]');
  await h.sewn();
  assert.equal(readFileSync(await takeAway('csv'), 'utf8'), csv);
});

test('a reload in the middle loses nothing', async () => {
  const names = await order();
  const stitches = await h.total('stitches');
  await (await driver.findElement(By.css(`[data-testid=thread-line] button[data-piece]`))).sendKeys('\n');
  await number('[data-setting="Stitch length"] input', '1.7');
  await driver.navigate().refresh();
  await h.sewn();
  assert.deepEqual(await order(), names);
  assert.notEqual(await h.total('stitches'), stitches);
  await h.saved();
});

test('bad files get one sentence and change nothing', async () => {
  await driver.get(app.address);
  await h.find('a[aria-label="Open lantern"]');
  const cards = () => driver.executeScript('return document.querySelectorAll(\'a[aria-label^="Open "]\').length');
  const count = await cards();
  const folder = mkdtempSync(join(tmpdir(), 'cobble-bad-'));
  const bad = [
    ['words.svg', 'not a drawing', 'readable SVG'],
    ['huge.svg', `<svg xmlns="http://www.w3.org/2000/svg">${' '.repeat(50_000_000)}</svg>`, '50 MB'],
    ['empty.svg', '<svg xmlns="http://www.w3.org/2000/svg"/>', 'paints nothing'],
    ['face.otf', 'OTTO\u0000\u000b', 'is a font'],
    ['art.pdf', '%PDF-1.7', 'is a PDF'],
    ['design.bin', 'L\u0000\u0001\u0002', 'holds stitches and no shapes'],
    ['cut.cobble', 'PK\u0003\u0004 cut short here', 'damaged'],
  ];
  for (const [name, content, says] of bad) {
    const path = join(folder, name);
    writeFileSync(path, content);
    assert.ok(existsSync(path));
    await (await driver.findElement(By.css('input[type=file]'))).sendKeys(path);
    await h.findText('li[@data-sonner-toast]', says);
  }
  assert.equal(await cards(), count);
});
