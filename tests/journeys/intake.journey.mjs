// Files come in anywhere: dropped in every place, with what was left out said, and a way to go on with a drawing of too many shapes.
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { after, test } from 'node:test';
import { bundleOf, jobRecord, startJourney } from './browser.mjs';

const { app, driver, h } = await startJourney();
after(() => app.stop());

const svg = (inside, more = '') =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="40mm" viewBox="0 0 60 40" ${more}>${inside}</svg>`;
const LEAF = svg('<path d="M5,20 C15,2 45,2 55,20 C45,38 15,38 5,20 Z" fill="#3d6b35"/>');
const ODD = svg(
  '<script>1</script><image href="x.png" width="9" height="9"/><rect x="4" y="4" width="50" height="30" fill="#3d6b35" filter="url(#f)"/>',
);

/** Dots in rows of two colours; every second one touches the one beside it. */
const many = (n) => {
  const side = Math.ceil(Math.sqrt(n));
  const dots = Array.from({ length: n }, (_, i) => {
    const [x, y] = [(i % side) * 2, Math.floor(i / side) * 2];
    return `<circle cx="${x + 1}" cy="${y + 1}" r="${Math.floor(i / side) % 4 === 0 ? 1.1 : 0.6}" fill="${Math.floor(i / side) % 8 < 4 ? '#0b5563' : '#c8402f'}"/>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="180mm" height="180mm" viewBox="0 0 ${side * 2} ${side * 2}">${dots.join('')}</svg>`;
};

/** Lets a file go over an element of the page, as from a folder beside the browser. */
const drop = (name, text, over = 'body', type = 'image/svg+xml') =>
  driver.executeScript(
    `const d = new DataTransfer(); d.items.add(new File([arguments[1]], arguments[0], { type: arguments[3] }));
     const e = document.querySelector(arguments[2]);
     for (const t of ['dragenter', 'dragover', 'drop']) e.dispatchEvent(new DragEvent(t, { dataTransfer: d, bubbles: true, cancelable: true }));`,
    name,
    text,
    over,
    type,
  );
const place = () => driver.executeScript('return location.pathname');
const jobName = async () => (await h.find('input[aria-label="Name of the job"]')).getAttribute('value');
const at = (end) => h.poll(`at ${end}`, async () => (await place()).endsWith(end));

test('a drawing dropped in the Library or over the day’s work becomes a job', async () => {
  for (const [path, name] of [
    ['/library', 'From the library'],
    ['/day', 'From the day'],
  ]) {
    await driver.get(app.address + path);
    await h.find('h1');
    await h.find('button[aria-label="Find anything (/)"]');
    await drop(`${name}.svg`, LEAF);
    await at('/brief');
    assert.equal(await jobName(), name);
  }
});

test('in every place of a job it is asked what a dropped drawing is to be', async () => {
  const { pathname } = new URL(await driver.getCurrentUrl());
  for (const part of ['brief', 'art', 'bench', 'sewouts', 'floor']) {
    await driver.get(app.address + pathname.replace('/brief', `/${part}`));
    await h.find('input[aria-label="Name of the job"]');
    await drop('Other.svg', LEAF);
    await h.find('[data-testid="drop-question"]');
    await (await h.findText('button', 'Nothing')).click();
    await h.poll('put away', async () => (await h.count('[data-testid="drop-question"]')) === 0);
  }
  await drop('Other.svg', LEAF);
  await (await h.findText('button', 'Other artwork of this job')).click();
  await h.findText('*', 'The artwork was replaced');
  assert.equal(await jobName(), 'From the day');
  await drop('A third.svg', LEAF);
  await (await h.findText('button', 'A new job')).click();
  await at('/brief');
  await h.poll('the new one', async () => (await jobName()) === 'A third');
});

test('a bundle dropped on the bench opens as the job that it was; an unreadable file gets its sentence', async () => {
  const bytes = [...readFileSync(bundleOf(jobRecord('Dropped bundle', [{ area: 'M-10,-10 h20 v20 h-20 Z' }])))];
  await driver.executeScript(
    `const d = new DataTransfer(); d.items.add(new File([new Uint8Array(arguments[0])], 'b.cobble'));
     for (const t of ['dragover', 'drop']) document.body.dispatchEvent(new DragEvent(t, { dataTransfer: d, bubbles: true, cancelable: true }));`,
    bytes,
  );
  await at('/bench');
  await h.poll('its name', async () => (await jobName()) === 'Dropped bundle');
  await drop('notes.pdf', '%PDF-1.7 ...', 'body', 'application/pdf');
  await (await h.findText('button', 'A new job')).click();
  await h.find('[data-sonner-toast][data-type="error"]');
  assert.equal(await jobName(), 'Dropped bundle');
});

test('what was left out of a drawing is said where the job begins', async () => {
  await driver.get(app.address);
  await h.find('input[aria-label="Artwork or bundle"]');
  await drop('Odd.svg', ODD, 'main');
  await at('/brief');
  const told = await h.text('[data-testid="left-out"]');
  for (const what of [/picture/, /script \(never run\)/, /filter effect/]) assert.match(told, what);
  await (await h.find('button[aria-label="Put this notice away"]')).click();
  await h.poll('put away', async () => (await h.count('[data-testid="left-out"]')) === 0);
});

test('a drawing of 10,000 shapes can be given up at once, or made lighter in two ways', async () => {
  await driver.get(app.address);
  await h.find('input[aria-label="Artwork or bundle"]');
  await drop('Ten thousand.svg', many(10_000), 'main');
  await (await h.findText('button', 'Cancel')).click();
  await h.poll('given up', async () => (await h.count('[data-testid="heavy"]')) === 0 && /New job from artwork/.test(await h.text('main')));
  await drop('Ten thousand.svg', many(10_000), 'main');
  await h.find('[data-testid="heavy"] [data-way="largest"]');
  const told = await h.text('[data-testid="heavy"]');
  assert.match(told, /10,000 shapes become [\d,]+ parts?/);
  await (await h.find('[data-testid="heavy"] [data-way="merge"]')).findElement({ xpath: './ancestor::div[2]//button' }).click();
  await at('/brief');
  assert.match(await jobName(), /Ten thousand \(merged\)/);
});

test('a job taken off the shelf is said to be gone, and can be brought back with all that belongs to it', async () => {
  await driver.get(app.address);
  const open = 'a[aria-label="Open From the day"]';
  await h.find(open);
  await (await h.find('button[aria-label="Remove From the day"]')).click();
  await (await h.find('[role="alertdialog"] button:last-of-type')).click();
  await h.poll('gone', async () => (await h.count(open)) === 0);
  await (await h.findText('button', 'Bring it back')).click();
  const place = (await (await h.find(open)).getAttribute('href')).replace(/[a-z]+$/, '');
  await driver.get(`${place}bench`);
  await h.sewn();
  assert.equal(await jobName(), 'From the day');
  await driver.get(`${place}art`);
  await h.find('tbody tr');
});

test('a bundle opened twice gives two cards with names of their own', async () => {
  const bundle = bundleOf(jobRecord('Twice', [{ area: 'M-10,-10 h20 v20 h-20 Z' }]));
  for (let i = 0; i < 3; i++) await h.openBundle(app, bundle);
  await driver.get(app.address);
  for (const name of ['Twice', 'Twice (2)', 'Twice (3)']) await h.find(`a[aria-label="Open ${name}"]`);
});
