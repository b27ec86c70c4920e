// Everything is found by a usual word and gone to with the keyboard alone: places and their parts, pieces, settings, other jobs, files.
import assert from 'node:assert/strict';
import { readdirSync } from 'node:fs';
import { after, test } from 'node:test';
import { startJourney } from './browser.mjs';

const { app, driver, downloads, h } = await startJourney();
after(() => app.stop());

const [TAB, ENTER, RIGHT, END] = ['\uE004', '\uE007', '\uE014', '\uE010'];
const keys = (...all) =>
  driver
    .actions()
    .sendKeys(...all)
    .perform();
const at = (path) => h.poll(`at ${path}`, async () => (await driver.getCurrentUrl()).includes(path));
const first = () =>
  driver.executeScript(`return document.querySelector('#palette-list [role=option] span')?.firstChild?.textContent ?? ''`);
const title = (wanted) => h.poll(`the title ‘${wanted}’`, async () => (await driver.getTitle()) === wanted);
/** Opens the palette, types, sees what comes first and takes it. */
async function take(typed, wanted) {
  await keys('/');
  await h.find('#palette-list');
  await keys(typed);
  await h.poll(`‘${wanted}’ first for ‘${typed}’`, async () => (await first()).startsWith(wanted));
  await keys(ENTER);
  await h.poll('closed', async () => (await h.count('#palette-list')) === 0);
}

test('the first key comes to a way past the top line; titles name job and place', async () => {
  await driver.get(app.address);
  await h.find('a[aria-label="Open Pottery café apron"]');
  const href = await (await h.find('a[aria-label="Open Ferry crew polo"]')).getAttribute('href');
  await driver.get(href.replace('/bench', '/brief'));
  await title('Ferry crew polo · Brief · Cobble');
  await h.findText('h1', 'What must it be');
  await keys(TAB);
  assert.equal(await driver.executeScript('return document.activeElement.textContent'), 'To the work');
  await keys(ENTER);
  assert.equal(await driver.executeScript('return document.activeElement.tagName'), 'MAIN');
});

test('places and their parts are found from anywhere', async () => {
  await take('price', 'Floor: Price and quotation');
  await at('/floor');
  await title('Ferry crew polo · Floor · Cobble');
  const part = () =>
    driver.executeScript(`return document.querySelector('nav[aria-label="Parts of the floor"] [aria-current]')?.innerText ?? ''`);
  await h.poll('the price', async () => (await part()).startsWith('Price'));
  await take('worksheet', 'Floor: Worksheet');
  await h.poll('the sheet', async () => (await part()).startsWith('Worksheet'));
});

test('a piece is found by its name, and a setting of it by another word for it', async () => {
  await take('sun', 'Choose ‘Sun’');
  await at('/bench');
  await h.find('[data-setting="Spacing"]');
  await take('density', 'Spacing of the chosen piece');
  const row = () => driver.executeScript(`return document.activeElement.closest('[data-setting]')?.dataset.setting ?? ''`);
  await h.poll('in the field', async () => (await row()) === 'Spacing');
});

test('what does not apply says why and does nothing', async () => {
  await driver.executeScript('document.activeElement.blur()');
  await keys('\uE00C', '\uE00C', '/');
  await h.find('#palette-list');
  await keys('spacing of');
  await h.poll('why not', async () => /Choose a piece first/.test(await h.text('#palette-list')));
  await keys(ENTER, '\uE00C');
  await h.poll('closed', async () => (await h.count('#palette-list')) === 0);
});

test('arrow keys go along the looks', async () => {
  await driver.executeScript(`document.querySelector('[role=radiogroup][aria-label="Look"] [tabindex="0"]').focus({ focusVisible: true })`);
  await keys(RIGHT);
  const look = () => driver.executeScript(`return document.querySelector('[aria-label="Look"] [aria-checked="true"]').textContent`);
  await h.poll('needle', async () => (await look()) === 'Needle');
  await keys(END);
  await h.poll('the last', async () => (await look()) === 'Photo');
  await driver.executeScript('document.activeElement.blur()');
});

test('lengths change, a file is taken away and another job is opened', async () => {
  await take('inches', 'Lengths in inches');
  await h.poll('inches', async () => / in\b/.test(await h.text('body')));
  await take('stitch list', 'Take away: Stitch list');
  await driver.wait(() => readdirSync(downloads).some((f) => f.endsWith('.csv')), 60_000);
  await h.saved();
  await take('apron', 'Open ‘Pottery café apron’');
  await title('Pottery café apron · Bench · Cobble');
});

test('on the Shelf, in the Library and over the day’s work the same key finds places, jobs and what needs one', async () => {
  await driver.get(app.address);
  await h.find('a[aria-label="Open Pottery café apron"]');
  await take('recipes', 'Library: cloths');
  await at('/library#cloths');
  await take('glossary', 'Library: words of the craft');
  await at('/library#words');
  await take('schedule', 'The day’s work');
  await at('/day');
  await keys('/');
  await h.find('#palette-list');
  await keys('worksheet');
  await h.poll('why not', async () => /Open a job first/.test(await h.text('#palette-list')));
  await keys('\uE00C');
  await h.poll('closed', async () => (await h.count('#palette-list')) === 0);
  await take('ferry', 'Open ‘Ferry crew polo’');
  await at('/bench');
});
