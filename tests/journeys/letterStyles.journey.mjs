// Letters otherwise than as columns: rows, a shadow and a border that follow, a monogram in its frame, shapes set as text again.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { startJourney } from './browser.mjs';

const { app, driver, h } = await startJourney();
await h.openDemo(app);

const stitches = async () => Number((await h.text('[data-total="stitches"]')).replace(/\D/g, ''));
const field = (label) =>
  driver.executeScript((l) => [...document.querySelectorAll('label')].find((x) => x.textContent.trim() === l)?.control, label);
const choose = async (label, value) => (await field(label)).findElement({ css: `option[value="${value}"]` }).then((o) => o.click());
const press = (words) =>
  driver.executeScript((w) => [...document.querySelectorAll('button')].find((b) => b.textContent.trim() === w).click(), words);
const heading = () => h.text('aside[aria-label="Stitch card"]');
const undo = () => driver.actions().keyDown('\uE009').sendKeys('z').keyUp('\uE009').perform();

test('a text is sewn as a line, an outline and rows', async () => {
  await driver.actions().sendKeys('"').perform();
  const at = await h.pixel(0, 46);
  await driver.actions().move(at).press().release().perform();
  await h.poll('the card', async () => (await driver.findElements({ css: '[data-testid="lettering"]' })).length === 1);
  await driver.actions().sendKeys('QUAY').perform();
  for (const [style, says] of [
    ['line', /one line/],
    ['outline', /^Outlined letters/],
    ['fill', /as fill/],
  ]) {
    await choose('Letters are', style);
    await h.poll(style, async () => says.test(await h.text('[data-testid="sentence"]')));
  }
});

test('what follows a text says what it says', async () => {
  await press('Border round it');
  await h.poll('the border’s card', async () => (await field('Off the letters')) !== null);
  await driver.executeScript(() => document.querySelector('[data-testid="follows"] button').click());
  await h.poll('the text again', async () => (await driver.findElements({ css: '[data-testid="lettering"]' })).length === 1);
  await press('Shadow beneath');
  await h.poll('the shadow’s card', async () => (await field('Down')) !== null);
  await driver.executeScript(() => document.querySelector('[data-testid="follows"] button').click());
  await h.poll('the text', async () => (await driver.findElements({ css: '[data-testid="lettering"]' })).length === 1);
  const before = await stitches();
  await (await field('Says')).sendKeys('S');
  await h.poll('text, shadow and border grow', async () => (await stitches()) > before + 300);
  await (await field('Says')).sendKeys('\uE003');
});

test('letters that are shapes are set as text again', async () => {
  await press('Into pieces');
  await h.poll('four chosen', async () => /4 pieces chosen/.test(await heading()));
  await driver.executeScript(() => (document.querySelector('[data-testid="they-say"]').open = true));
  await (await field('They say')).sendKeys('QUAY', '\uE007');
  await h.poll('a text', async () => (await driver.findElements({ css: '[data-testid="lettering"]' })).length === 1);
  assert.match(await h.text('[aria-label^="Face:"]'), /Treadle/);
  const height = Number(await (await field('Height of capitals')).getAttribute('value'));
  assert.ok(Math.abs(height - 10) < 0.4, `10 mm high, not ${height}`);
});

test('three letters are a monogram in a frame, and one step takes it back', async () => {
  const says = await field('Says');
  await says.sendKeys('\uE009' + 'a', '\uE000');
  await (await field('Says')).sendKeys('ABC');
  await h.poll('three letters', async () => driver.executeScript(() => [...document.querySelectorAll('button')].some((b) => b.textContent.trim() === 'A monogram in a frame'))); // prettier-ignore
  await press('A monogram in a frame');
  await h.poll('its frame', async () => (await field('Shape')) !== null);
  await choose('Shape', 'diamond');
  await h.poll('a diamond', async () => (await (await field('Shape')).getAttribute('value')) === 'diamond');
  await undo();
  await undo();
  await h.poll('no frame', async () => (await field('Shape')) === null);
});
