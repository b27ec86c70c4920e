// A whole job without a pointer: from the drawing to the worksheet in a file.
import assert from 'node:assert/strict';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { after, test } from 'node:test';
import { pdfWords } from './pdfWords.mjs';
import { startJourney } from './browser.mjs';

const { app, driver, downloads, h } = await startJourney();
after(() => app.stop());

const [TAB, ENTER, ESC] = ['\uE004', '\uE007', '\uE00C'];
const keys = (...all) =>
  driver
    .actions()
    .sendKeys(...all)
    .perform();
const focused = () =>
  driver.executeScript(
    "const e = document.activeElement; return e === document.body ? '' : `${e.tagName} ${e.getAttribute('aria-label') ?? e.labels?.[0]?.innerText ?? e.textContent ?? ''}`",
  );
/** Goes on with the Tab key until what is wanted has the focus. */
async function tabTo(wanted, most = 120) {
  for (let i = 0; i < most; i++) {
    await keys(TAB);
    if (wanted.test(await focused())) return;
  }
  assert.fail(`the Tab key does not come to ${wanted}`);
}
async function take(typed, wanted) {
  await keys('/');
  await h.find('#palette-list');
  await keys(typed);
  await h.poll(`‘${wanted}’ for ‘${typed}’`, async () =>
    (
      await driver.executeScript("return document.querySelector('#palette-list [role=option] span')?.firstChild?.textContent ?? ''")
    ).startsWith(wanted),
  );
  await keys(ENTER);
  await h.poll('closed', async () => (await h.count('#palette-list')) === 0);
}
const at = (path) => h.poll(`at ${path}`, async () => (await driver.getCurrentUrl()).includes(path));

test('the drawing is chosen by the button that the Tab key comes to; the brief is filled in', async () => {
  await driver.get(app.address);
  await h.find('a[aria-label="Open Pottery café apron"]');
  await tabTo(/New job from artwork/);
  // The browser's own window for files cannot be worked from here: the file goes where that window would put it.
  await (await h.find('input[type=file]')).sendKeys(join(process.cwd(), 'tests/fixtures/lantern.svg'));
  await at('/brief');
  await h.find('#brief-title');
  await tabTo(/^INPUT Width/);
  await h.withControl('a');
  await keys('62', ENTER);
  await h.saved();
  await h.poll('pieces that nobody touched follow the size', async () => (await h.count('[data-testid="size-gap"]')) === 0);
});

test('pieces are chosen, set and put in another order; findings are gone through', async () => {
  await take('bench', 'Bench:');
  await at('/bench');
  await h.sewn();
  await keys('n');
  await h.find('[data-setting="Spacing"]');
  await take('density', 'Spacing of the chosen piece');
  await h.poll(
    'in the field',
    async () => (await driver.executeScript("return document.activeElement.closest('[data-setting]')?.dataset.setting")) === 'Spacing',
  );
  await h.withControl('a');
  await keys('0.45', ENTER);
  await h.poll('heard', async () =>
    /stitches, [\d,]+ (more|fewer)/.test(await driver.executeScript('return document.querySelector("[data-testid=heard]").textContent')),
  );
  await h.poll('set by hand', async () => (await h.count('button[aria-label="Spacing: set by hand; reset"]')) === 1);
  await driver.executeScript('document.activeElement.blur()');
  const chosen = () =>
    driver.executeScript(
      "return [...document.querySelectorAll('[data-piece]')].findIndex((e) => e.getAttribute('aria-pressed') === 'true')",
    );
  assert.equal(await chosen(), 0);
  await keys(']');
  await h.poll('later', async () => (await chosen()) === 1);
  await h.withControl('z');
  await h.poll('earlier again', async () => (await chosen()) === 0);
  await keys(ESC);
  await h.find('[data-testid="findings"][data-fresh="true"]');
});

test('the worksheet is read and taken away', async () => {
  await take('worksheet', 'Floor: Worksheet');
  await at('/floor');
  await h.poll('the sheet', async () => /lantern/i.test(await h.text('main')));
  await take('pdf', 'Take away: Worksheet (.pdf)');
  await h.poll('the file', async () => readdirSync(downloads).some((f) => f.endsWith('.pdf')));
  const words = await pdfWords(
    join(
      downloads,
      readdirSync(downloads).find((f) => f.endsWith('.pdf')),
    ),
  );
  assert.match(words, /lantern/i);
  assert.match(words, /62\.\d mm|62\.\d ×/);
});
