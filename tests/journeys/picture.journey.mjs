// From a picture to a sewn job: dropped, traced, traced otherwise, taken to the Bench, kept through a reload and a bundle; pasted; refused.
import assert from 'node:assert/strict';
import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import sharp from 'sharp';
import { By, startJourney } from './browser.mjs';

const folder = mkdtempSync(join(tmpdir(), 'cobble-picture-'));
const DRAWN = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 80" width="1000" height="800">
  <rect width="100" height="80" fill="#fff"/>
  <rect x="10" y="10" width="80" height="60" fill="#0b5563"/>
  <circle cx="40" cy="40" r="20" fill="#f0b429"/>
  <circle cx="40" cy="40" r="9" fill="#e59312"/>
  <path d="M66 20V60M60 30H84" fill="none" stroke="#ffffff" stroke-width="1"/>
  <circle cx="5" cy="40" r="0.35" fill="#0b5563"/>
</svg>`;
const LOGO = join(folder, 'sun flag.jpg');
await sharp(Buffer.from(DRAWN)).jpeg({ quality: 82 }).toFile(LOGO);
const PNG = await sharp(Buffer.from(DRAWN.replace('#f0b429', '#b43c2e')))
  .png()
  .toBuffer();
const DAMAGED = join(folder, 'damaged.png');
writeFileSync(DAMAGED, PNG.subarray(0, 600));

const { app, driver, downloads, h } = await startJourney();
const figures = () => h.text('[data-testid="card-figures"], [data-testid="trace-figures"]');
const figuresBecome = (pattern) => h.poll(`figures ${pattern}`, async () => pattern.test(await figures()));
const number = async (label, value) => {
  const field = await driver.findElement(By.xpath(`//label[normalize-space(.)="${label}"]/following-sibling::div//input`));
  await field.click();
  await driver.executeScript('arguments[0].select()', field);
  await field.sendKeys(value, '\n');
};

test('a dropped picture becomes shapes: colours, areas and lines are told', async () => {
  await driver.get(app.address);
  await (await h.find('input[type=file]')).sendKeys(LOGO);
  await h.find('[data-testid="picture-card"] img');
  assert.match(await figures(), /4 colours, 3 areas, 1 line/);
  await h.poll('the survey', async () => /\d+\.\d × \d+\.\d mm/.test(await h.text('[data-testid="art-size"]')));
});

const desk = () => h.find('[data-testid="picture-desk"]');
const deskFigures = () => h.text('[data-testid="trace-figures"]');
const deskSays = (pattern) => h.poll(`the desk: ${pattern}`, async () => pattern.test(await deskFigures()));
const openDesk = async () => {
  await (await h.findText('button', 'Work on the picture')).click();
  await desk();
  await h.find('[data-pane="As it came"][data-ready="true"]');
};
/** Points at shares of a page's sides, with a tool of the desk in hand. */
const point = async (tool, pane, ...places) => {
  await (await h.find(`[data-desk-tool="${tool}"]`)).click();
  await h.find(`[data-pane="${pane}"][data-ready="true"]`);
  const [from, to = from] = await driver.executeScript(
    `const box = document.querySelector('[data-pane="' + arguments[0] + '"] > div').getBoundingClientRect();
     return arguments[1].map(([x, y]) => ({ x: Math.round(box.left + box.width * x), y: Math.round(box.top + box.height * y) }));`,
    pane,
    places,
  );
  await driver.actions().move(from).press().move(to).release().perform();
};

test('two colours that are nearly the same become one when fewer are asked for, and are two again when it is undone', async () => {
  await openDesk();
  await number('Colours at most', '3');
  await deskSays(/3 colours, 2 areas, 1 line/);
  await h.withControl('z');
  await deskSays(/4 colours/);
});

test('a colour dragged on another becomes it', async () => {
  const chips = await driver.findElements(By.css('[data-chip]'));
  assert.equal(chips.length, 4);
  const places = await driver.executeScript(
    `return [0, 1].map((dark) => {
       const yellow = [...document.querySelectorAll('[data-chip]')].filter((c) => /^#[ef].[9ab].[0-4]/.test(c.dataset.chip));
       const box = yellow.sort((a, b) => (a.dataset.chip < b.dataset.chip ? -1 : 1))[dark].firstElementChild.getBoundingClientRect();
       return { x: Math.round(box.left + box.width / 2), y: Math.round(box.top + box.height / 2) };
     });`,
  );
  await driver.actions().move(places[0]).press().move(places[1]).release().perform();
  await deskSays(/3 colours, 2 areas, 1 line/);
  await h.withControl('z');
  await deskSays(/4 colours, 3 areas/);
});

test('the background is a shape when it is wanted; a region is dropped by a click and comes back by another', async () => {
  await (await h.findText('label', 'Sew it too')).click();
  await deskSays(/4 colours, 4 areas/);
  await point('drop', 'As it came', [0.03, 0.5]);
  await deskSays(/4 colours, 3 areas/);
  await h.find('[data-mark="dropped"]');
  await point('drop', 'As shapes', [0.03, 0.5]);
  await deskSays(/4 colours, 4 areas/);
  await (await h.findText('label', 'Sew it too')).click();
  await deskSays(/4 colours, 3 areas/);
});

test('a speck that was left out is kept by a click, and grown', async () => {
  await h.poll('the speck', async () => /1 speck too small to sew was left out/.test(await h.text('[data-testid="specks-said"]')));
  await point('keep', 'As it came', [0.05, 0.5]);
  await h.poll('the spot', async () => /1 small spot was kept/.test(await h.text('[data-testid="specks-said"]')));
  await deskSays(/4 areas/);
  await h.withControl('z');
  await deskSays(/3 areas/);
});

test('a crop shows less of the picture, and the whole comes back', async () => {
  await point('crop', 'As it came', [0.05, 0.05], [0.6, 0.95]);
  await deskSays(/0 lines/);
  await (await h.findText('button', 'Whole picture')).click();
  await deskSays(/1 line/);
  await (await h.findText('button', 'Done')).click();
});

test('the shapes go to the Bench and are sewn; the picture is still there after a reload', async () => {
  await make(/^Make \d+ pieces$|^To the bench$/);
  await h.poll('the Bench', async () => (await driver.getCurrentUrl()).endsWith('/bench'));
  await h.poll(
    'stitches',
    async () => (await driver.executeScript("return Number(document.querySelector('canvas[role=img]')?.dataset.until ?? 0)")) > 500,
  );
  await driver.get((await driver.getCurrentUrl()).replace(/bench$/, 'art'));
  await h.find('[data-testid="picture-card"] img');
  assert.match(await figures(), /4 colours/);
});

/** Presses the button of Art with such words, once it has measured. */
const make = async (words) => {
  const button = await driver.wait(async () => {
    for (const one of await driver.findElements(By.css('aside button'))) if (words.test(await one.getText())) return one;
    return null;
  }, 90000);
  await button.click();
};

/** From Art to the Bench, and a piece of what lies there by a click. */
const lift = async () => {
  await driver.get((await driver.getCurrentUrl()).replace(/art$/, 'bench'));
  await h.find('[data-testid="picture-beneath"]');
  const stitches = () => h.text('[data-total="stitches"]');
  await h.poll('stitches', async () => Number((await stitches()).replace(/\D/g, '')) > 500);
  const before = await stitches();
  await driver.actions().sendKeys('*').perform();
  await h.find('[data-lift-ready="true"]');
  await driver
    .actions()
    .move(await h.pixel(-10, 0))
    .press()
    .release()
    .perform();
  await h.poll('a piece', async () => (await stitches()) !== before);
};

test('a click on the picture beneath the Bench makes a piece of what is like it there', async () => {
  await lift();
  await h.withControl('z');
  await driver.get((await driver.getCurrentUrl()).replace(/bench$/, 'art'));
});

test('a bundle of the job brings the picture back', async () => {
  await (await h.find('header button[aria-haspopup=menu]')).click();
  const item = await driver.wait(async () => {
    for (const one of await driver.findElements(By.css('[role=menuitem]'))) if ((await one.getText()).includes('.cobble')) return one;
    return null;
  }, 90000);
  await item.click();
  const bundle = await driver.wait(async () => readdirSync(downloads).find((f) => f.endsWith('.cobble')) ?? null, 90000);
  await driver.get(app.address);
  await (await h.find('input[type=file]')).sendKeys(join(downloads, bundle));
  await h.poll('the job', async () => (await driver.getCurrentUrl()).includes('/bench'));
  await driver.get((await driver.getCurrentUrl()).replace(/bench$/, 'art'));
  await h.find('[data-testid="picture-card"] img');
  assert.match(await figures(), /4 colours, 3 areas/);
});

test('what was made by hand stays when the picture is traced and made again', async () => {
  await lift();
  await driver.get((await driver.getCurrentUrl()).replace(/bench$/, 'art'));
  await openDesk();
  await number('Colours at most', '3');
  await deskSays(/3 colours/);
  await (await h.findText('button', 'Done')).click();
  await make(/^Make \d+ pieces$/);
  await h.findText('*', '1 piece changed by hand stays as before.');
});

test('a picture that is pasted is taken as well', async () => {
  await driver.get(app.address);
  await h.findText('span', 'New job from artwork');
  await driver.executeScript(
    `const bytes = Uint8Array.from(atob(arguments[0]), (c) => c.charCodeAt(0));
     const data = new DataTransfer();
     data.items.add(new File([bytes], 'image.png', { type: 'image/png' }));
     window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));`,
    PNG.toString('base64'),
  );
  await h.poll('the job', async () => (await driver.getCurrentUrl()).endsWith('/art'));
  await h.find('[data-testid="picture-card"] img');
  assert.match(await figures(), /colours, 3 areas, 1 line/);
});

test('a damaged picture is refused in one sentence', async () => {
  await driver.get(app.address);
  await (await h.find('input[type=file]')).sendKeys(DAMAGED);
  await h.findText('*', '‘damaged.png’ is damaged');
});
