// Two versions of a job under one slider, and every figure of both.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { bundleOf, jobRecord, startJourney } from './browser.mjs';

const { app, driver, h } = await startJourney();

const figures = async (key) => (await h.text(`[data-testid="compare-figures"] [data-row="${key}"]`)).replace(/[\n,]/g, ' ');
const openDemo = async (name) => {
  await driver.get(app.address);
  await driver.get(await (await h.find(`a[aria-label="Open ${name}"]`)).getAttribute('href'));
  await h.sewn();
};

test('a job is compared with what it was when it was opened', async () => {
  await openDemo('Night shift cap');
  await (await h.findText('button', 'Beam')).click();
  const field = await h.find('[data-setting="Spacing"] input');
  await field.sendKeys('\uE009', 'a', '\uE000', '0.6', '\uE007');
  await h.saved();
  await (await h.find('header a[aria-label^="Compare"]')).click();
  await h.find('[data-testid="compare-figures"]');
  const stitches = await figures('stitches');
  assert.match(stitches, /−\d+/);
  assert.equal(await h.count('[data-row="stitches"] [aria-label="better"] [data-sign="good"]'), 1);
  assert.match(await h.text('[data-testid="compare-changes"]'), /Beam\s+spacing/);
});

test('the slider shows more or less of the left picture, by keys too', async () => {
  const slider = await h.find('input[type=range]');
  const clip = async () => Number(await (await h.find('img[data-clip]')).getAttribute('data-clip'));
  assert.equal(await clip(), 50);
  await slider.sendKeys('\uE012', '\uE012', '\uE012', '\uE012');
  assert.equal(await clip(), 48);
  await (await h.findText('button', 'Weight')).click();
  await h.find('ul[aria-label="Layers of thread"]');
});

test('a kept version is there after a reload, and sides can be swapped', async () => {
  await (await h.findText('button', 'Keep this version')).click();
  await h.poll('kept', async () => (await driver.executeScript("return document.querySelector('select').textContent")).includes('kept'));
  await driver.navigate().refresh();
  await h.find('[data-testid="compare-figures"]');
  const left = await driver.executeScript("return document.querySelector('select').selectedOptions[0].textContent");
  assert.match(left, /kept/);
  assert.match(await figures('stitches'), /=/);
  await (await h.find('button[aria-label="Swap the sides"]')).click();
  await h.poll('swapped', async () =>
    driver.executeScript("return document.querySelectorAll('select')[1].selectedOptions[0].textContent.includes('kept')"),
  );
});

test('two jobs side by side, from the shelf', async () => {
  await driver.get(app.address);
  const card = await h.find('a[aria-label="Compare Pottery café apron"]');
  await driver.get(await card.getAttribute('href'));
  await h.find('[data-testid="compare-figures"]');
  const names = await driver.executeScript("return [...document.querySelectorAll('select')].map((s) => s.selectedOptions[0].textContent)");
  assert.equal(names[1], 'Pottery café apron');
  assert.notEqual(names[0], names[1]);
  assert.equal(await h.count('[data-testid="compare-changes"]'), 0);
});

test('another cloth says piece by piece what it changed, in the brief and in the comparison', async () => {
  await h.openBundle(
    app,
    bundleOf(
      jobRecord('Cloth change', [
        { name: 'Badge', area: 'M-20,-15 h40 v30 h-40 Z' },
        { name: 'Own', area: 'M-20,20 h12 v12 h-12 Z', settings: { pullComp: 0.9, spacing: 0.5 } },
      ]),
    ),
  );
  await h.saved();
  await driver.get((await driver.getCurrentUrl()).replace('/bench', '/brief'));
  await (await h.findText('option', 'Sweatshirt, fleece')).click();
  await h.find('[data-testid="sewn-changes"]');
  const told = await h.text('[data-testid="cloth-change"]');
  assert.match(told, /to sweatshirt, fleece/i);
  assert.match(told, /Badge[\s\S]*Pull comp\.\s*0\.\d\d mm\s*→\s*0\.\d\d mm/);
  assert.doesNotMatch(told, /0\.90 mm/);
  await h.saved();
  await (await h.find('a[aria-label="Compare with another version or job"]')).click();
  const compared = () => driver.executeScript("return document.querySelector('[data-testid=sewn-changes]')?.innerText ?? ''");
  await h.poll('compared', async () => /Badge[\s\S]*Pull comp\./.test(await compared()));
});
