// What the proof finds while one works: a finding leads to its place, is mended in one step, or accepted with a reason.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { startJourney } from './browser.mjs';

const { app, driver, h } = await startJourney();
await h.openDemo(app);

const count = (css) => h.count(css);

test('a spacing too dense is found, leads to its piece, and is mended in one step', async () => {
  await (await h.findText('button', 'Sea')).click();
  const field = await h.find('[data-setting="Spacing"] input');
  await field.sendKeys('\uE009', 'a', '\uE000', '0.24', '\uE007');
  await (await h.find('[data-testid="findings"]')).click();
  const finding = await h.find('[data-finding="cover-too-dense"]');
  assert.match(await finding.getText(), /0\.24 mm, limit 0\.32 mm/);
  await driver.executeScript('document.activeElement.blur()');
  await finding.findElement({ css: 'button' }).click();
  await h.poll('the piece is chosen', async () => (await count('[data-testid="selection"]')) === 1);
  await h.poll('the effect of the fix', async () =>
    /−[\d,]+ stitches/.test(await h.text('[data-finding="cover-too-dense"] [data-testid="fix-effect"]')),
  );
  await (await h.findText('button', 'Back to the recipe')).click();
  await h.poll('found no more', async () => (await count('[data-finding="cover-too-dense"]')) === 0);
});

test('a finding is accepted with a reason, which stays with the job, and can be taken back', async () => {
  await (await h.find('[data-testid="findings"]')).click();
  await (await h.findText('button', 'Sea')).click();
  const field = await h.find('[data-setting="Spacing"] input');
  await field.sendKeys('\uE009', 'a', '\uE000', '0.28', '\uE007');
  await (await h.find('[data-testid="findings"]')).click();
  const found = await h.find('[data-finding="cover-too-dense"]');
  await driver.executeScript('document.activeElement.blur()');
  await found.findElement({ xpath: './/button[contains(., "Accept")]' }).click();
  await (await h.find('[data-finding="cover-too-dense"] input[name="reason"]')).sendKeys('a small sea, sewn slowly', '\uE007');
  await h.poll('no longer open', async () => (await count('[data-finding="cover-too-dense"]')) === 0);
  await h.saved();
  await driver.navigate().refresh();
  await h.sewn();
  await (await h.find('[data-testid="findings"]')).click();
  await (await h.findText('summary', '1 accepted')).click();
  await (await h.findText('button', 'Take back')).click();
  await h.find('[data-finding="cover-too-dense"]');
});

test('the Weight look shows layers with a legend, and figures under the pointer', async () => {
  await (await h.findText('button', 'Weight')).click();
  await h.find('[data-testid="weight"]');
  const cloth = await h.find('[data-testid="cloth"]');
  await driver.actions().move({ origin: cloth }).perform();
  await driver.actions().move({ origin: cloth, x: 5, y: 30 }).perform();
  await h.poll('figures', async () => /layers · \d+ holes/.test(await h.text('[data-testid="weight-legend"]')));
});
