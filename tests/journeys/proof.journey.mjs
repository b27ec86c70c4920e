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

test('while the pointer is on a fix the cloth shows what it would sew, and nothing is changed', async () => {
  await driver.executeScript('document.activeElement.blur()');
  await h.withControl('z');
  const fix = '[data-finding="cover-too-dense"] button[title="The cloth shows what it would sew"]';
  const before = async () => (await h.find('header button[aria-label^="Undo"]')).getAttribute('aria-label');
  const button = await h.find(fix);
  const undo = await before();
  await driver.actions().move({ origin: button }).perform();
  await h.find('[data-testid="fix-preview"] path');
  await driver.actions().move({ x: 400, y: 700 }).perform();
  await h.poll('gone', async () => (await h.count('[data-testid="fix-preview"]')) === 0);
  await driver.executeScript('document.querySelector(arguments[0]).focus()', fix);
  await h.find('[data-testid="fix-preview"] path');
  assert.equal(await before(), undo);
  await driver.executeScript('document.activeElement.blur()');
  await h.poll('gone', async () => (await h.count('[data-testid="fix-preview"]')) === 0);
  await (await h.find(fix)).click();
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
