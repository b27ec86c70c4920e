// What goes with a job: other jobs and names in its hoop, its place on the garment, the questions to the customer, approval, kept versions.
import assert from 'node:assert/strict';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { after, test } from 'node:test';
import { By, bundleOf, hands, jobRecord, startBrowser, startJourney } from './browser.mjs';
import { pdfWords } from './pdfWords.mjs';

const hoop = { width: 180, height: 130, shape: 'rect' };
const CREST = jobRecord('Crest', [{ name: 'Bar', kind: 'satin', line: 'M-15,0 H15', width: 4 }], { hoop });
const SHIRT = jobRecord('Crew shirt', [{ name: 'Crew', kind: 'lettering', lettering: { text: 'Crew', face: 'treadle', height: 9 } }], {
  hoop,
});
SHIRT.brief = { ...SHIRT.brief, size: { width: 26 }, place: 'left-chest', garment: 'Shirt', quantity: 6 };

const { app, driver, downloads, h } = await startJourney();
after(() => app.stop());

const place = async (name) => driver.get((await driver.getCurrentUrl()).replace(/\/[a-z]+$/, `/${name}`));
const part = (name) => h.floorPart(name);
const press = async (text) => (await h.findText('button', text)).click();
const labelled = (label) => h.find(`[aria-label=${JSON.stringify(label)}]`);
const type = async (label, words) =>
  (await driver.findElement(By.xpath(`//label[contains(., ${JSON.stringify(label)})]//input`))).sendKeys(words);
const choose = async (label, option) => {
  const select = await driver.findElement(By.xpath(`//label[normalize-space(.)=${JSON.stringify(label)}]/following-sibling::select`));
  await (await select.findElement(By.xpath(`./option[contains(., ${JSON.stringify(option)})]`))).click();
};
const copies = () => h.count('[data-copy] image');
const pdf = (end) => driver.wait(async () => readdirSync(downloads).find((f) => f.endsWith(end)) ?? null, 90000);

test('another job of the shelf lies in the same hoop', async () => {
  await h.openBundle(app, bundleOf(CREST));
  await h.openBundle(app, bundleOf(SHIRT));
  await place('floor');
  await h.find('[data-copy="0"] image');
  await h.poll('the crest is offered', async () => (await driver.findElements(By.xpath('//option[.="Crest"]'))).length === 1);
  await choose('Another job beside it', 'Crest');
  await h.find('[data-beside="Crest"]');
  await h.poll('two designs', async () => (await copies()) === 2);
  assert.match(await (await h.find('[data-copy="1"]')).getAttribute('aria-label'), /Crest/);
  await (await labelled('Take Crest out')).click();
  await h.poll('one again', async () => (await copies()) === 1);
});

test('a list of names fills the hoop, each in place of the text; the sheet counts them', async () => {
  await press('Names …');
  const list = await h.find('[role=dialog] textarea');
  await list.sendKeys('Ana\nBruno\nChiara\nDov');
  await press('Lay 4 names');
  await h.poll('four names', async () => (await copies()) === 4);
  const labels = [];
  for (let i = 0; i < 4; i++) labels.push(await (await h.find(`[data-copy="${i}"]`)).getAttribute('aria-label'));
  assert.deepEqual(
    labels.map((l) => /, (\w+),/.exec(l)?.[1]),
    ['Ana', 'Bruno', 'Chiara', 'Dov'],
  );
  await driver.navigate().refresh();
  await h.poll('kept', async () => (await copies()) === 4);
  await part('Worksheet');
  await press('As PDF');
  const words = await pdfWords(join(downloads, await pdf('.pdf')));
  assert.match(words, /4 copies in one hoop/);
});

test('the place on the garment is drawn, told, and follows size and side', async () => {
  await part('On the garment');
  await h.find('[data-testid="garment"]');
  assert.match(await h.text('[data-testid="hang-words"]'), /100 mm from the middle of the placket/);
  await choose('Size of the garment', 'XL');
  await h.poll('XL', async () => /115 mm from/.test(await h.text('[data-testid="hang-words"]')));
  await (await driver.findElement(By.xpath('//label[contains(., "The other side")]'))).click();
  await h.findText('h2', 'Right chest, XL');
});

test('the motion words are looked at before they are written, and read back', async () => {
  await part('Worksheet');
  await press('Look at it');
  assert.match(await (await h.find('[data-testid="motion-preview"] [role=status]')).getText(), /read back, they are the same plan/);
});

test('a quotation leaves as a PDF that does not tell the shop’s margin', async () => {
  await part('Price');
  await press('Quotation as PDF');
  const words = await pdfWords(join(downloads, await pdf('-quotation.pdf')));
  assert.match(words, /Quotation: Crew shirt/);
  assert.match(words, /Total/);
  assert.doesNotMatch(words, /Margin/);
});

test('questions are asked and answered; the shelf says how many are open', async () => {
  await place('brief');
  await h.find('[aria-label="Open questions"]');
  await type('Another question', 'Navy or black?\n');
  await h.find('[data-question="open"]');
  await type('Another question', 'Which side?\n');
  await h.poll('two', async () => (await h.count('[data-question="open"]')) === 2);
  const answer = await driver.findElement(By.css('[data-question] input'));
  await answer.sendKeys('Navy\t');
  await h.find('[data-question="answered"]');
  await h.saved();
  await driver.get(app.address);
  await h.findText('li', '1 open question');
});

test('a version is kept under a name, the job changed, the version brought back, and that undone', async () => {
  await driver.get(await (await h.find('a[aria-label="Open Crew shirt"]')).getAttribute('href'));
  await h.sewn();
  await place('brief');
  await h.find('[aria-label="Kept versions"]');
  await type('Name of this version', 'First sample');
  await press('Keep it');
  await h.find('[data-version="First sample"]');
  await type('Approved by', 'Ada');
  await press('Approved today');
  await h.find('[data-testid="approval"]');
  await choose('Cloth', 'Jersey');
  await h.findText('p', 'changed since');
  await press('Bring back');
  await h.poll('as it was approved', async () => (await driver.findElements(By.xpath('//p[contains(., "changed since")]'))).length === 0);
  await driver.actions().keyDown('\uE009').sendKeys('z').keyUp('\uE009').perform();
  await h.findText('p', 'changed since');
});

test('the picture to approve leaves as a PDF with its day', async () => {
  await press('Picture to approve, as PDF');
  const words = await pdfWords(join(downloads, await pdf('-for-approval.pdf')));
  assert.match(words, /For approval: Crew shirt/);
  assert.match(words, /Approved on \d{4}-\d{2}-\d{2} by Ada/);
});

test('versions that an earlier Cobble kept beside the jobs come along', async () => {
  const own = await startBrowser();
  try {
    const hand = hands(own.driver);
    // A page of the same origin that is none of Cobble's: nobody has the database open.
    await own.driver.get(`${app.address}/print/index.json`);
    await own.driver.executeAsyncScript(
      `const [job, done] = arguments;
       const open = indexedDB.open('cobble', 1);
       open.onupgradeneeded = () => open.result.createObjectStore('versions');
       open.onsuccess = () => {
         const put = open.result.transaction('versions', 'readwrite').objectStore('versions');
         put.put({ id: job.id + ' 1700000000000', job, kept: 1700000000000, name: 'From before' }, job.id + ' 1700000000000');
         put.transaction.oncomplete = () => { open.result.close(); done(); };
       };`,
      CREST,
    );
    await hand.openBundle(app, bundleOf(CREST));
    await own.driver.get((await own.driver.getCurrentUrl()).replace(/\/[a-z]+$/, '/brief'));
    await hand.find('[data-version="From before"]');
    await own.driver.navigate().refresh();
    await hand.find('[data-version="From before"]');
  } finally {
    await own.driver.quit();
  }
});
