// Lettering by hand: set a text, type it, change its face and its line, break it apart and mend one stem.
import assert from 'node:assert/strict';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test } from 'node:test';
import { unzipSync } from 'fflate';
import { startJourney } from './browser.mjs';

const { app, driver, downloads, h } = await startJourney();
await h.openDemo(app);

const key = (k) => driver.actions().sendKeys(k).perform();
const stitches = async () => Number((await h.text('[data-total="stitches"]')).replace(/\D/g, ''));
const field = (label) =>
  driver.executeScript((l) => [...document.querySelectorAll('label')].find((x) => x.textContent.trim() === l)?.control, label);
const choose = async (label, value) => {
  const select = await field(label);
  await select.findElement({ css: `option[value="${value}"]` }).click();
};
const chooseFace = async (face) => {
  await driver.findElement({ css: '[data-testid="face"]' }).click();
  await h.poll('the faces', async () => (await driver.findElements({ css: `[data-face="${face}"] svg` })).length === 1);
  await driver.findElement({ css: `[data-face="${face}"]` }).click();
};
const press = (words) =>
  driver.executeScript((w) => [...document.querySelectorAll('button')].find((b) => b.textContent.trim() === w).click(), words);
const changed = async (what, before) => h.poll(what, async () => (await stitches()) !== before && stitches());

test('a text is set where the cloth is clicked, and what is typed is sewn', async () => {
  const before = await stitches();
  await key('"');
  const at = await h.pixel(0, 46);
  await driver.actions().move(at).press().release().perform();
  await changed('the first word', before);
  const first = await stitches();
  await key('Harbour Line');
  await h.poll('all of it typed', async () => (await (await field('Says')).getAttribute('value')) === 'Harbour Line');
  await h.poll('all of it sewn', async () => (await stitches()) > first + 500);
  assert.match(await h.text('[data-testid="sentence"]'), /^Lettering/);
});

test('another face, and an arch, are sewn at once', async () => {
  const before = await stitches();
  await chooseFace('gable');
  await changed('slab feet', before);
  // Letters on an arch have as many stitches; the whole is taller.
  const size = await h.text('[data-total="size"]');
  await choose('Stands on', 'arc-up');
  await h.poll('its radius', async () => (await field('Radius')) !== null);
  await h.poll('an arch', async () => (await h.text('[data-total="size"]')) !== size);
  const advice = await driver.findElements({ css: '[data-testid="lettering-advice"]' });
  assert.equal(advice.length, 0);
  const height = await field('Height of capitals');
  await height.click();
  await driver.actions().keyDown('\uE009').sendKeys('a').keyUp('\uE009').sendKeys('4', '\uE007').perform();
  await h.poll(
    'a word on small letters',
    async () => (await driver.findElements({ css: '[data-testid="lettering-advice"]' })).length === 1,
  );
});

/** Figures grow while a job is sewn: whole ones are those that the proof has looked at. */
const settled = () =>
  h.poll('all sewn and looked at', async () => (await (await h.find('[data-testid="findings"]')).getAttribute('data-fresh')) === 'true');

test('a face of outlines is sewn as columns, and its letters come with the job', async () => {
  const before = await stitches();
  await chooseFace('slab');
  await changed('heavy feet', before);
  await settled();
  const typed = await stitches();
  await (await field('Says')).sendKeys('s');
  await h.poll('a letter more', async () => (await stitches()) > typed);
  await settled();
  await (await field('Says')).sendKeys('\uE003');
  await h.poll('a letter less', async () => (await stitches()) === typed);
});

test('a damaged font is refused in a sentence, a whole one is offered', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'cobble-fonts-'));
  const whole = readFileSync('public/faces/poster.ttf');
  writeFileSync(join(folder, 'broken.ttf'), whole.subarray(0, 4000));
  writeFileSync(join(folder, 'crew.ttf'), whole);
  const input = await driver.findElement({ css: 'input[aria-label="A font of your own"]' });
  await input.sendKeys(join(folder, 'broken.ttf'));
  await h.poll('why not', async () => /broken\.ttf.*(damaged|cannot be read)/.test(await h.text('[data-testid="lettering"]')));
  const before = await stitches();
  await input.sendKeys(join(folder, 'crew.ttf'));
  await changed('the brought font', before);
  await chooseFace('treadle');
});

test('a letter is dragged by its foot; a thread of its own is one stop more', async () => {
  await press('Move single letters');
  const letters = () => driver.findElements({ css: '[data-testid="letter-handles"] [aria-label^="Letter "]' });
  await h.poll('feet to drag', async () => (await letters()).length === 11);
  const middle = async (e) => {
    const { x, y, width, height } = await e.getRect();
    return { x: Math.round(x + width / 2), y: Math.round(y + height / 2) };
  };
  const [third, second] = [await middle((await letters())[2]), await middle((await letters())[1])];
  await driver
    .actions()
    .move(third)
    .press()
    .move({ x: third.x + 8, y: third.y })
    .move({ x: third.x + 20, y: third.y })
    .release()
    .perform();
  await h.poll(
    'it moved',
    async () => (await middle((await letters())[2])).x - (await middle((await letters())[1])).x > third.x - second.x + 10,
  );
  assert.match(await h.text('[data-testid="one-letter"]'), /Letter r/);
  const stops = async () => Number((await h.text('[data-total="threads"]')).replace(/\D/g, ''));
  const own = await field('Its thread');
  const [before, ids] = [await stops(), await own.findElements({ css: 'option' })];
  await ids[ids.length > 2 ? 2 : 1].click();
  await h.poll('sewn in it', async () => (await stitches()) > 0);
  assert.ok((await stops()) >= before);
  await driver.actions().sendKeys('\uE00C').perform();
});

test('twelve names become twelve jobs in one archive, the one that cannot be set is named', async () => {
  await press('A list of names …');
  const names = ['Ada', 'Bo', 'Cy', 'Dee', 'Eli', 'Fay', 'Gus', 'Hal', 'Ivy', 'Jo', 'Kit', 'L漢'];
  await (await h.find('[data-testid="names"] textarea')).sendKeys(names.join('\n'));
  await h.poll('previews', async () => (await h.count('[data-testid="names"] li svg')) === 11);
  await press('Make 12 names');
  await h.poll('made', async () => /11 names made, 1 refused.*row 12.*漢/.test(await h.text('[data-testid="names"] [role="status"]')));
  await h.poll('the archive', async () => readdirSync(downloads).some((f) => f.endsWith('-names.zip')));
  const archive = readdirSync(downloads).find((f) => f.endsWith('-names.zip'));
  const files = Object.keys(unzipSync(new Uint8Array(readFileSync(join(downloads, archive)))));
  assert.equal(files.filter((f) => f.endsWith('.cobble')).length, 11);
  assert.equal(files.filter((f) => f.endsWith('.csv')).length, 11);
  assert.ok(files.includes('all-names.svg'));
  await press('Close');
});

test('it outlives a reload, as a text', async () => {
  await h.poll('saved', async () => /Saved/.test(await h.text('header')));
  await driver.navigate().refresh();
  await h.poll('the bench again', async () => (await driver.findElements({ css: '[data-total="stitches"]' })).length === 1);
  await h.poll('sewn again', async () => (await stitches()) > 1000);
  await driver.executeScript(() =>
    [...document.querySelectorAll('button, [role=option], li button')].find((b) => /Harbour Line/.test(b.textContent))?.click(),
  );
  await h.poll('its card', async () => (await driver.findElements({ css: '[data-testid="lettering"]' })).length === 1);
});

test('apart in columns each stem is a piece of its own, and one step puts the text back', async () => {
  await press('Into pieces');
  await h.poll('many chosen', async () => (await driver.findElements({ css: '[data-testid="lettering"]' })).length === 0);
  await driver.actions().keyDown('\uE009').sendKeys('z').keyUp('\uE009').perform();
  await h.poll('a text again', async () =>
    driver.executeScript(
      () =>
        [...document.querySelectorAll('button')].some((b) => /Harbour Line/.test(b.textContent)) ||
        !!document.querySelector('[data-testid="lettering"]'),
    ),
  );
});
