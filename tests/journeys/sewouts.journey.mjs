// What did the cloth say: a test logged on a phone, its photo over the plan, gaps measured, the cause corrected, two tests compared, one
// signed off; a calibration card from typed figures to a recipe.
import assert from 'node:assert/strict';
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { after, test } from 'node:test';
import { unzipSync } from 'fflate';
import { By, startJourney } from './browser.mjs';

const { app, driver, downloads, h } = await startJourney();
after(() => app.stop());

const place = async (name) => driver.get((await driver.getCurrentUrl()).replace(/\/[a-z]+$/, `/${name}`));
const press = async (text) => (await h.findText('button', text)).click();
const choose = async (label, option) => {
  const select = await driver.findElement(By.xpath(`//label[normalize-space(.)=${JSON.stringify(label)}]/following-sibling::select`));
  await (await select.findElement(By.xpath(`./option[normalize-space(.)=${JSON.stringify(option)}]`))).click();
};
const tab = async (key) => (await h.find(`#tab-${key}`)).click();
const tests = () => h.count('[data-test-of]');
const marks = () => h.count('[data-mark-card]');
const idle = () => h.poll('the work is done', async () => (await h.count('[data-testid="sewout-work"] progress')) === 0);
/** The work that was asked for has begun and ended. */
const worked = async (what, done) => h.poll(what, done, 90_000);
const photoOf = resolve('public/demo/sewout-1.jpg');

test('the demo polo has two tests with photos, the second better than the first', async () => {
  await driver.get(app.address);
  await (await h.find('a[aria-label="Open Ferry crew polo"]')).click();
  await h.poll('the job', async () => (await driver.getCurrentUrl()).includes('/job/'));
  await place('sewouts');
  await h.poll('two tests', async () => (await tests()) === 2);
  const figure = async (version) => Number(/([\d.]+) mm/.exec(await h.text(`[data-test-of="${version}"]`))[1]);
  assert.ok((await figure(2)) < (await figure(1)));
  assert.match(await h.text('[data-testid="laying"]'), /within 0\.\d\d mm/);
});

test('the photo is a look of the Bench, at its place over the plan, and a mark on it chooses its piece', async () => {
  await place('bench');
  await press('Photo');
  await h.poll('the photo', async () => (await h.count('[data-testid="bench-photo"] canvas')) === 1, 60_000);
  const wide = () =>
    driver.executeScript(`return document.querySelector('[data-testid="bench-photo"] canvas').getBoundingClientRect().width`);
  const before = await wide();
  await driver.actions().sendKeys('+').perform();
  await h.poll('as near as the plan', async () => Math.abs((await wide()) / before - 1.25) < 0.01);
  await (await h.find('[data-testid="bench-photo"] [data-mark]')).click();
  await h.poll('its piece', async () => (await h.count('[data-testid="selection"]')) === 1);
  await choose('Held against', 'Over what was sewn, as foreseen');
  await h.poll('both pictures', async () => (await h.count('[data-testid="bench-photo"] canvas')) === 2);
  await place('sewouts');
});

test('a photo that finds no room is told, and nothing is lost', async () => {
  const photos = () => h.count('ul[aria-label="Photos"] img');
  await h.poll('the photo that is kept', async () => (await photos()) === 1);
  await driver.executeScript(
    `const put = IDBObjectStore.prototype.put; window.__put = put; IDBObjectStore.prototype.put = function () { throw new DOMException('no room', 'QuotaExceededError'); };`,
  );
  await (await driver.findElement(By.css('[data-testid="photo-file"]'))).sendKeys(photoOf);
  await h.poll('told', async () =>
    /was not added. This browser has no room left/.test(
      await driver.executeScript(`return document.querySelector('[data-sonner-toaster]')?.innerText ?? ''`),
    ),
  );
  assert.equal(await photos(), 1);
  await driver.executeScript('IDBObjectStore.prototype.put = window.__put;');
  await driver.navigate().refresh();
  await h.poll('still kept', async () => (await photos()) === 1);
});

test('a test is logged with a photo at 390 px, in a few touches', async () => {
  await driver.manage().window().setRect({ width: 390, height: 844 });
  await press('Log a sew-out');
  await h.poll('three tests', async () => (await tests()) === 3);
  await tab('setup');
  await press('It was sewn so');
  await choose('Bright test thread', 'Yes');
  await (await driver.findElement(By.css('[data-testid="photo-file"]'))).sendKeys(photoOf);
  await h.poll('the photo', async () => (await h.count('ul[aria-label="Photos"] img')) === 1);
  const wide = await driver.executeScript('return document.documentElement.scrollWidth - document.documentElement.clientWidth');
  assert.ok(wide <= 0, `the page is ${wide} px wider than the phone`);
  await h.saved();
  await driver.navigate().refresh();
  await h.poll('the photo is kept', async () => (await h.count('ul[aria-label="Photos"] img')) === 1);
  await driver.manage().window().setRect({ width: 1280, height: 800 });
});

test('the photo is laid over the plan by itself, the error told, and its gaps are proposed', async () => {
  await press('Lay it over the plan');
  await worked('laid', async () => /Laid by itself/.test(await h.text('[data-testid="laying"]')));
  const within = Number(/within ([\d.]+) mm/.exec(await h.text('[data-testid="laying"]'))[1]);
  assert.ok(within < 0.3, `${within} mm`);
  await idle();
  await press('Find gaps');
  await worked('proposals', async () => (await driver.findElements(By.css('section[aria-label="Gaps on the photo"]'))).length === 1);
  const proposed = await driver.findElements(By.css('section[aria-label="Gaps on the photo"] li'));
  assert.ok(proposed.length >= 1);
  await press('Take all');
  await h.poll('taken', async () => (await marks()) === proposed.length);
});

test('a gap is measured by dragging across it, in mm of the cloth', async () => {
  const before = await marks();
  await (await driver.findElement(By.xpath('//button[@role="radio" and contains(., "Measure a gap")]'))).click();
  const svg = await h.find('svg[aria-label="Marks"]');
  const { width } = await svg.getRect();
  const mm = await driver.executeScript('return arguments[0].viewBox.baseVal.width', svg);
  await driver
    .actions()
    .move({ origin: svg, x: 0, y: Math.round(width / 6) })
    .press()
    .move({ origin: svg, x: 12, y: Math.round(width / 6) })
    .release()
    .perform();
  await h.poll('measured', async () => (await marks()) === before + 1);
  const told = Number(/([\d.]+) mm/.exec(await (await driver.findElements(By.css('[data-mark-card]')))[before].getText())[1]);
  assert.ok(Math.abs(told - (12 * mm) / width) < 0.08, `${told} mm for ${(12 * mm) / width}`);
  await h.withControl('z');
  await h.poll('undone', async () => (await marks()) === before);
});

test('causes come with reasons; the first correction closes the gap and leaves outlines alone', async () => {
  await h.poll('ranked', async () => /%|[A-Z]/.test(await h.text('[data-mark-card] button')));
  await (await h.find('[data-mark-card] button')).click();
  await h.poll('causes', async () => (await h.count('[data-cause]')) >= 1);
  assert.match(await h.text('[data-cause]'), /\+/);
  await (await h.find('[data-cause="pull"]')).findElement(By.xpath('.//button[contains(., "Try it")]')).click();
  await worked('the correction', async () => (await h.count('[data-testid="correction"]')) === 1);
  const row = await h.text('[data-testid="correction"] tbody tr');
  assert.match(row, /closed|0\.(0\d|1[0-4]) mm$/m);
  assert.match(await h.text('[data-testid="correction"]'), /Outlines stay where they are drawn/);
  await press('Take it');
  await h.poll('a new version', async () => /version 3/.test(await h.text('nav[aria-label="Sew-outs"]')));
});

test('the corrected version is logged, compared with the first and signed off; shelf, floor and worksheet know it', async () => {
  await press('Log a sew-out');
  await h.poll('four tests', async () => (await tests()) === 4);
  await press('Compare tests');
  await h.poll('figures', async () => (await h.count('[data-testid="test-figures"] tbody tr')) === 4);
  const cells = (await h.text('[data-testid="test-figures"] tbody tr')).match(/[\d.]+/g).map(Number);
  assert.ok(cells[1] < cells[0], `${cells}`);
  await h.poll('both pictures', async () => (await h.count('[data-testid="compare-tests"] canvas')) === 2, 60_000);
  await (await h.find('[data-test-of="3"]')).click();
  await tab('seen');
  await press('Sign off for production');
  await h.find('[data-testid="signed"]');
  await h.saved();
  await place('floor');
  assert.match(await h.text('[data-testid="floor-signed"]'), /Version 3 approved for production/);
  await h.floorPart('Worksheet');
  await h.poll('on the sheet', async () => /Version 3 approved for production/.test(await h.text('main')), 60_000);
  await driver.get(app.address);
  await h.poll('on the shelf', async () => /Version 3 signed off/.test(await h.text('main')));
});

test('photos travel in the bundle and come back with it', async () => {
  await (await h.find('a[aria-label="Open Ferry crew polo"]')).click();
  await h.poll('the job', async () => (await driver.getCurrentUrl()).includes('/job/'));
  await place('sewouts');
  await press('Take away');
  await (await driver.findElement(By.xpath('//*[@role="menuitem" and contains(., "Bundle")]'))).click();
  const file = await driver.wait(async () => readdirSync(downloads).find((f) => f.endsWith('.cobble')) ?? null, 60_000);
  const inside = Object.keys(unzipSync(readFileSync(join(downloads, file))));
  assert.equal(inside.filter((name) => name.startsWith('photos/')).length, 3);
  const copy = join(downloads, 'again.cobble');
  writeFileSync(copy, readFileSync(join(downloads, file)));
  await driver.get(app.address);
  await (await h.find('input[type=file]')).sendKeys(copy);
  await h.poll('the job', async () => (await driver.getCurrentUrl()).includes('/job/'));
  await place('sewouts');
  await (await h.find('[data-test-of="1"]')).click();
  await h.poll('its photo', async () => (await h.count('ul[aria-label="Photos"] img')) === 1);
});

test('a calibration card is made, measured by hand and gives the cloth its recipe', async () => {
  await driver.get(app.address);
  await (await h.find('a[aria-label="Open Pottery café apron"]')).click();
  await h.poll('the job', async () => (await driver.getCurrentUrl()).includes('/job/'));
  await place('sewouts');
  await press('Make a calibration card for this cloth');
  // The page changes meanwhile: what is asked of it is asked at once.
  const named = () => driver.executeScript(`return document.querySelector('[aria-label="Name of the job"]')?.value ?? ''`);
  await h.poll('the card', async () => /Calibration card/.test(await named()));
  await press('Log a sew-out');
  await h.poll('its figures', async () => (await h.count('#test-panel ol li input')) === 15);
  // A cloth that draws in more than canvas usually does.
  const read = [78.6, 39.2, 19.5, 9.7, 39.1, 19.5, 1.8, 3.8, 7.8, 0.5, 0.5, 0.4, 0.4, 0.4, 13.9];
  const inputs = await driver.findElements(By.css('#test-panel ol li input'));
  for (const [i, value] of read.entries()) await inputs[i].sendKeys(String(value), '\uE007');
  await press('What the card taught');
  await worked('learned', async () => (await h.count('[data-testid="learned"]')) === 1);
  assert.match(await h.text('[data-testid="learned"]'), /× 1\.\d\d/);
  assert.match(await h.text('[data-testid="learned"]'), /15 measurements, 1 sew-out|1[0-4] measurements, 1 sew-out/);
  await press('Adopt it, here and for new jobs');
  await h.poll('adopted', async () => (await driver.findElements(By.xpath('//button[.="Adopted"]'))).length === 1);
  await h.saved();
  await driver.get(`${app.address}/library`);
  await (await h.findText('button', 'Cloths')).click();
  await h.poll('in the library', async () => /changed/.test(await h.text('ul[aria-label="Cloths"]')));
});

test('a fault is followed to its remedy, and what helped is noted', async () => {
  await driver.get(app.address);
  await (await h.find('a[aria-label="Open Ferry crew polo"]')).click();
  await h.poll('the job', async () => (await driver.getCurrentUrl()).includes('/job/'));
  await place('sewouts');
  await press('Find a fault');
  await (await driver.findElement(By.xpath('//button[@role="radio" and contains(., "Loops")]'))).click();
  await press('Yes');
  await press('It helped');
  assert.match(await h.text('main'), /It helped\. Noted with version \d/);
});
