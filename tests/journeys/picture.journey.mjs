// From a picture to a sewn job: dropped, traced, traced otherwise, taken to the Bench, kept through a reload and a bundle; pasted; refused.
import assert from 'node:assert/strict';
import { mkdtempSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import sharp from 'sharp';
import { By, startJourney } from './browser.mjs';

const folder = mkdtempSync(join(tmpdir(), 'cobble-picture-'));
const DRAWN = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 80" width="500" height="400">
  <rect width="100" height="80" fill="#fff"/>
  <rect x="10" y="10" width="80" height="60" fill="#0b5563"/>
  <circle cx="40" cy="40" r="20" fill="#f0b429"/>
  <circle cx="40" cy="40" r="9" fill="#e59312"/>
  <path d="M66 20V60M60 30H84" fill="none" stroke="#ffffff" stroke-width="1"/>
</svg>`;
const LOGO = join(folder, 'sun flag.jpg');
await sharp(Buffer.from(DRAWN)).jpeg({ quality: 82 }).toFile(LOGO);
const PNG = await sharp(Buffer.from(DRAWN.replace('#f0b429', '#b43c2e')))
  .png()
  .toBuffer();
const DAMAGED = join(folder, 'damaged.png');
writeFileSync(DAMAGED, PNG.subarray(0, 600));

const { app, driver, downloads, h } = await startJourney();
const figures = () => h.text('[data-testid="trace-figures"]');
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
  await h.find('[data-testid="picture-desk"] img');
  assert.match(await figures(), /4 colours, 3 areas, 1 line/);
  await h.poll('the survey', async () => /\d+\.\d × \d+\.\d mm/.test(await h.text('[data-testid="art-size"]')));
});

test('two colours that are nearly the same become one when fewer are asked for, and are two again when it is undone', async () => {
  await number('Colours at most', '3');
  await figuresBecome(/3 colours, 2 areas, 1 line/);
  await h.withControl('z');
  await figuresBecome(/4 colours/);
});

test('the background is a shape when it is wanted', async () => {
  await (await h.findText('label', 'Background')).click();
  await figuresBecome(/4 colours, 4 areas/);
  await (await h.findText('label', 'Background')).click();
  await figuresBecome(/4 colours, 3 areas/);
});

test('the shapes go to the Bench and are sewn; the picture is still there after a reload', async () => {
  const make = await h.find('aside div:last-child > button:last-of-type');
  await make.click();
  await h.poll('the Bench', async () => (await driver.getCurrentUrl()).endsWith('/bench'));
  await h.poll(
    'stitches',
    async () => (await driver.executeScript("return Number(document.querySelector('canvas[role=img]')?.dataset.until ?? 0)")) > 500,
  );
  await driver.get((await driver.getCurrentUrl()).replace(/bench$/, 'art'));
  await h.find('[data-testid="picture-desk"] img');
  assert.match(await figures(), /4 colours/);
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
  await h.find('[data-testid="picture-desk"] img');
  assert.match(await figures(), /4 colours, 3 areas/);
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
  await h.find('[data-testid="picture-desk"] img');
  assert.match(await figures(), /colours, 3 areas, 1 line/);
});

test('a damaged picture is refused in one sentence', async () => {
  await driver.get(app.address);
  await (await h.find('input[type=file]')).sendKeys(DAMAGED);
  await h.findText('*', '‘damaged.png’ is damaged');
});
