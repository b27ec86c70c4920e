// From a plan to the machine: copies in a hoop, the sheet on paper, a price, the machine that breaks and goes on, a day's jobs in a line.
import assert from 'node:assert/strict';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { after, test } from 'node:test';
import { By, bundleOf, jobRecord, startApp, startJourney } from './browser.mjs';
import { pdfWords } from './pdfWords.mjs';

const disc = (r) => `M${r},0 A${r},${r} 0 1 1 ${-r},0 A${r},${r} 0 1 1 ${r},0 Z`;
const PATCH = jobRecord('Small patch', [{ area: disc(14) }, { name: 'Eye', area: 'M-3,-3 h6 v6 h-6 Z', thread: 't2' }], {
  hoop: { width: 130, height: 180, shape: 'rect' },
  threads: [{ id: 't2', code: 'Q7', name: 'Gorse', hex: '#d9a520', weight: 40 }],
});

PATCH.brief = { ...PATCH.brief, size: { width: 28 }, quantity: 24 };

const journey = await startJourney();
const { driver, downloads, h } = journey;
let { app } = journey;
after(() => app.stop());

const part = (name) => h.floorPart(name);
const field = (label) => driver.findElement(By.xpath(`//label[normalize-space(.)=${JSON.stringify(label)}]/following-sibling::div//input`));
const set = async (label, value) => {
  const input = await field(label);
  await input.click();
  await driver.executeScript('arguments[0].select()', input);
  await input.sendKeys(value, '\n');
};
const press = async (text) => (await h.findText('button', text)).click();
const says = (text) => h.poll(`the machine says ${text}`, async () => (await h.text('[data-testid="machine-says"]')).includes(text));

test('six copies lie in one hoop, thread by thread with the stops of one', async () => {
  await h.openBundle(app, bundleOf(PATCH));
  await driver.get((await driver.getCurrentUrl()).replace(/\/[a-z]+$/, '/floor'));
  await h.find('[data-copy="0"] image');
  await set('Copies', '6');
  await h.find('[data-copy="5"]');
  const order = await h.findText('button', 'Thread by thread');
  await h.poll('the order is chosen', async () => (await order.getAttribute('aria-checked')) === 'true');
  assert.match(await order.getText(), /1 stop\b/);
});

test('a copy is dragged out of the field, which is said, and undone in one step', async () => {
  const copy = await h.find('[data-copy="0"]');
  await driver
    .actions()
    .move({ origin: copy })
    .press()
    .move({ origin: copy, x: -60, y: 0 })
    .move({ origin: copy, x: -160, y: 0 })
    .release()
    .perform();
  await h.findText('p', 'Too near to the hoop’s edge');
  await driver.actions().keyDown('\uE009').sendKeys('z').keyUp('\uE009').perform();
  await h.poll('all is well again', async () => (await driver.findElements(By.xpath('//p[contains(., "Too near")]'))).length === 0);
});

test('more than the hoop holds is refused with how many it holds', async () => {
  await set('Copies', '90');
  assert.match(await (await h.find('aside [role=alert]')).getText(), /do not fit .* \d+ would/);
});

test('the worksheet is printed: a PDF with the name of the job', async () => {
  await part('Worksheet');
  assert.equal(await h.count('[data-testid="stops"] tbody tr'), 2);
  await press('As PDF');
  const file = await driver.wait(async () => readdirSync(downloads).find((f) => f.endsWith('.pdf')) ?? null, 90000);
  const words = await pdfWords(join(downloads, file));
  for (const said of [/Small patch/, /6 copies in one hoop/, /Deep water/, /Gorse/, /At real size/, /2 of 2/]) assert.match(words, said);
});

test('a price is quoted from rates, and follows them', async () => {
  await part('Price');
  const total = async () => Number(await h.text('[data-testid="price-total"]'));
  const before = await total();
  await set('Setting up', '100');
  // A quarter of the price is the margin.
  await h.poll('the price follows', async () => Math.abs((await total()) - before - 85 / 0.75) < 0.03);
});

test('the job goes to the machine, which is traced and started; its thread breaks, it is mended and goes on', async () => {
  await part('Machine');
  await press('Send this job');
  await says('Trace the hoop');
  await press('Put on 130 × 180');
  await press('Trace the outline');
  await says('Traced');
  await press('Start');
  await says('Sews');
  await press('Thread breaks');
  await says('thread broke');
  await press('It is mended');
  await press('Resume');
  await says('Sews');
});

test('the server is killed in the middle and comes again: the machine stands where it stood, and sews every stitch once', async () => {
  app.kill();
  app = await startApp({ port: app.port, machines: app.machines });
  await says('Paused');
  await press('Resume');
  await driver.findElement(By.xpath('//label[.="Quick time"]/following-sibling::select/option[@value="1500"]')).click();
  await says('Done');
  const log = await (await fetch(`${app.address}/api/machine/window/log`)).json();
  const times = new Uint8Array(log.job.events);
  let last = -1;
  for (const e of log.entries.filter((entry) => entry.what === 'sewn'))
    for (let i = e.from; i < e.to; i++) {
      times[i]++;
      assert.equal(i, last + 1);
      last = i;
    }
  assert.ok(times.every((n) => n === 1));
  assert.equal(log.breaks, 1);
  await press('Read it');
  assert.match(await h.text('[data-testid="machine-log"]'), /thread broke[\s\S]*Power lost[\s\S]*Done/);
});

test('a page of another origin cannot start it', async () => {
  const ask = (headers) =>
    fetch(`${app.address}/api/machine/window/ask`, {
      method: 'POST',
      body: '{"do":"start"}',
      headers: { 'Content-Type': 'application/json', ...headers },
    });
  assert.equal((await ask({ Origin: 'http://elsewhere.example' })).status, 403);
  assert.equal((await ask({})).status, 409);
});

test('a job is moved through its states, and the shelf shows those that are asked for', async () => {
  await driver.get((await driver.getCurrentUrl()).replace(/\/[a-z]+$/, '/brief'));
  await (await h.find('option[value="approved"]')).click();
  await driver.wait(async () => (await driver.findElements(By.css('[data-saved="saved"]'))).length > 0, 90000);
  await driver.get(app.address);
  await h.find('a[aria-label="Open Ferry crew polo"]');
  await driver.findElement(By.xpath('//label[.="Jobs that are shown"]/following-sibling::select/option[@value="approved"]')).click();
  await h.poll('one job', async () => (await h.count('a[aria-label^="Open "]')) === 1);
  assert.match(await h.text('a[aria-label="Open Small patch"]'), /Approved/);
});

test('the jobs that wait stand in a line on two machines, and are gathered as one list', async () => {
  await driver.get(`${app.address}/day`);
  const chart = await h.find('[data-testid="day-chart"]');
  assert.match(
    await chart.getAttribute('aria-label'),
    /Six needles at the window.*One needle in the corner|One needle in the corner.*Six needles at the window/,
  );
  await press('Gather');
  assert.match(await h.text('[data-testid="day-pick"]'), /Q214/);
});
