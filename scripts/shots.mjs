// Takes the pictures of docs/screenshots from the demo data. Words: a folder, and optionally the views wanted.
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { hands, startApp, startBrowser } from '../tests/journeys/browser.mjs';

const [folder = 'docs/screenshots', ...wanted] = process.argv.slice(2);
const app = await startApp();
const { driver } = await startBrowser();
const h = hands(driver);
const shot = async (name) => {
  if (wanted.length > 0 && !wanted.includes(name)) return;
  await driver.sleep(400);
  writeFileSync(join(folder, `${name}.png`), await driver.takeScreenshot(), 'base64');
};
try {
  await driver.get(app.address);
  const card = await h.find('a[aria-label="Open Ferry crew polo"]');
  await h.find('a[aria-label="Open Botanical jacket back"] img');
  await shot('shelf');
  const bench = await card.getAttribute('href');
  await driver.get(`${app.address}/library`);
  await driver.executeScript('document.querySelector(`[data-sample="carved"]`).scrollIntoView({ block: "start" })');
  await h.find('[data-sample="ring"] img');
  await driver.sleep(1500);
  await shot('library');
  await (await h.findText('button', 'Cloths')).click();
  await h.find('section[aria-label^="Piqué"]');
  await shot('cloths');
  await (await h.findText('button', 'Faces')).click();
  // All faces on one picture, each sewn when it comes into view.
  const showing = (height) =>
    driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', { width: 1280, height, deviceScaleFactor: 1, mobile: false });
  await showing(2780);
  await h.poll('every face', async () => (await h.count('[data-face-sheet] img')) === 11);
  await shot('faces');
  await showing(800);
  await driver.get(bench.replace('/bench', '/brief'));
  await h.findText('h1', 'What must it be?');
  await shot('brief');
  await driver.get(bench.replace('/bench', '/art'));
  await h.find('tbody tr');
  await shot('art');
  await driver.get(bench);
  await h.sewn();
  await driver.sleep(600);
  await shot('bench');
  await (await h.findText('button', 'Neck')).click();
  await h.find('[data-testid="sentence"]');
  for (let i = 0; i < 8; i++) await (await h.find('button[aria-label="Nearer (+)"]')).click();
  await driver.sleep(500);
  await shot('bench-close');
  await driver.actions().sendKeys('0').perform();
  await driver.executeScript('document.activeElement.blur()');
  await (await h.find('header button[aria-haspopup=menu]')).click();
  await shot('take-away');
  await driver.actions().sendKeys('\uE00C').perform();
  await driver.actions().sendKeys('l').sendKeys('l').perform();
  await shot('path');
  await driver.actions().sendKeys('l').perform();
  await h.find('[data-testid="weight"]');
  await driver.sleep(600);
  await shot('weight');
  await (await h.findText('button', 'Pull')).click();
  await h.find('[data-testid="pull-gaps"]');
  await driver.sleep(1500);
  await shot('pull');
  await driver.actions().sendKeys('l').sendKeys('\uE00C').perform();
  await (await h.findText('button', 'Sea')).click();
  const spacing = await h.find('[data-setting="Spacing"] input');
  await spacing.sendKeys('\uE009', 'a', '\uE000', '0.26', '\uE007');
  await driver.executeScript('document.activeElement.blur()');
  await driver.actions().sendKeys('!').perform();
  await h.find('[data-finding]');
  await driver.sleep(600);
  await shot('proof');
  await driver.actions().keyDown('\uE009').sendKeys('z').keyUp('\uE009').perform();
  await driver.actions().sendKeys('!').sendKeys('\uE00C').perform();
  await driver.executeScript('document.activeElement.blur()');
  await driver.actions().keyDown('\uE009').sendKeys('\uE007').keyUp('\uE009').perform();
  await (await h.findText('label', 'Fewest stops')).click();
  await (await h.findText('button', 'Look for a better order')).click();
  await h.find('[data-testid="proposal"], [data-testid="no-better"]');
  await shot('route');
  await driver.executeScript('document.activeElement.blur()');
  await driver.actions().keyDown('\uE009').sendKeys('\uE007').keyUp('\uE009').perform();
  await (await h.findText('button', 'Wing')).click();
  await driver.actions().sendKeys('g').perform();
  for (let i = 0; i < 5; i++) await (await h.find('button[aria-label="Nearer (+)"]')).click();
  await driver.sleep(500);
  await shot('shaping');
  await driver.actions().sendKeys('q').sendKeys('u').perform();
  await h.find('[data-testid="many"]');
  await driver.actions().sendKeys('0').perform();
  await driver.actions().sendKeys('\uE00C').sendKeys('\uE00C').perform();
  await (await h.findText('button', 'FERRY CREW')).click();
  await (await h.find('[data-testid="face"]')).click();
  await h.find('[data-face="hand"] svg');
  await driver.sleep(900);
  await shot('lettering');
  await driver.actions().sendKeys('\uE00C').perform();
  await (await h.findText('button', 'A list of names')).click();
  await (await h.find('[data-testid="names"] textarea')).sendKeys('Ada Quill\nBo\nMaximilian Thorne\nCy Marlow\nDee');
  await driver.sleep(600);
  await shot('names');
  await driver.actions().sendKeys('\uE00C').perform();
  await driver.actions().sendKeys('\uE00C').perform();
  const sea = await h.findText('button', 'Sea');
  await sea.click();
  await (await h.find('[data-setting="Spacing"] input')).sendKeys('\uE009', 'a', '\uE000', '0.6', '\uE007');
  await h.saved();
  await (await h.find('header a[aria-label^="Compare"]')).click();
  await h.find('[data-testid="compare-figures"]');
  await shot('compare');
  // The demo's own drawing as a customer would send it.
  const picture = join(mkdtempSync(join(tmpdir(), 'cobble-shot-')), 'ferry crew.jpg');
  await sharp('public/demo/heron.svg', { density: 300 })
    .resize({ width: 1000 })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: 90 })
    .toFile(picture);
  await driver.get(app.address);
  await (await h.find('input[type=file]')).sendKeys(picture);
  await h.find('[data-testid="picture-desk"] img');
  await h.find('tbody tr');
  await shot('picture');
} finally {
  await driver.quit();
  app.stop();
}
