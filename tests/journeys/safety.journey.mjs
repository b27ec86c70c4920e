// What people have made is safe: two tabs, removed jobs, damaged records, stores that fail, a whole shelf as a file.
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { test } from 'node:test';
import { bundleOf, hands, jobRecord, startBrowser, startJourney } from './browser.mjs';

const { app, driver, downloads, h } = await startJourney();
const RIGHT = '\uE014';
const name = async () => (await h.find('input[aria-label="Name of the job"]')).getAttribute('value');
const rename = async (text) => {
  const field = await h.find('input[aria-label="Name of the job"]');
  await field.sendKeys('\uE009', 'a', '\uE000', text, '\uE007');
};
const remove = async (job) => {
  await driver.executeScript('arguments[0].click()', await h.find(`[aria-label="Remove ${job}"]`));
  await (await h.findText('*[@role="alertdialog"]//button', 'Remove')).click();
};
const tabs = [];
const inTab = (i) => driver.switchTo().window(tabs[i]);
const following = () => h.count('[data-testid="follower"]');

test('a second tab shows what the first makes of the job, live, and changes nothing', async () => {
  await h.openBundle(app, bundleOf(jobRecord('Shared', [{ area: 'M-20,-20 H0 V0 H-20 Z' }, { area: 'M5,5 H25 V25 H5 Z' }])));
  const bench = await driver.getCurrentUrl();
  tabs.push(await driver.getWindowHandle());
  await driver.switchTo().newWindow('tab');
  tabs.push(await driver.getWindowHandle());
  await driver.get(bench);
  await h.sewn();
  await h.find('[data-testid="follower"]');
  await h.key('n');
  await h.key(RIGHT);
  await h.find('[data-sonner-toast]');
  await inTab(0);
  assert.equal(await following(), 0);
  await rename('Shared by two');
  await h.saved();
  await inTab(1);
  await h.poll('the new name', async () => (await name()) === 'Shared by two');
  await driver.navigate().refresh();
  await h.sewn();
  await inTab(0);
  assert.equal(await h.count('[data-testid="conflict"]'), 0);
  assert.equal(await name(), 'Shared by two');
});

test('the right to edit is asked for, and handed over with everything that was made', async () => {
  await inTab(0);
  await rename('Last word of the first');
  await inTab(1);
  await h.find('[data-testid="follower"]');
  await (await h.findText('button', 'Edit it in this tab')).click();
  await h.poll('the right', async () => (await following()) === 0);
  assert.equal(await name(), 'Last word of the first');
  await rename('Now the second');
  await h.saved();
  await inTab(0);
  await h.find('[data-testid="follower"]');
  await h.poll('the name', async () => (await name()) === 'Now the second');
  await inTab(1);
  await driver.close();
  await inTab(0);
  await h.poll('the right comes back', async () => (await following()) === 0);
});

test('a job removed elsewhere does not come back, unless it is kept as a new one', async () => {
  await driver.switchTo().newWindow('tab');
  await driver.get(app.address);
  await remove('Now the second');
  await h.poll('gone', async () => (await h.count('a[aria-label="Open Now the second"]')) === 0);
  await driver.close();
  await inTab(0);
  await h.find('[data-testid="conflict"]');
  await driver.get(app.address);
  await h.find('a[aria-label="Open Ferry crew polo"]');
  assert.equal(await h.count('a[aria-label="Open Now the second"]'), 0);
});

test('the whole shelf is saved to a file, and comes back from it', async () => {
  await h.poll('all demo jobs', async () => (await h.count('a[aria-label^="Open "]')) === 5);
  await (await h.findText('button', 'Save the whole shelf to a file')).click();
  const files = () => readdirSync(downloads).filter((f) => /^shelf-.*\.cobble$/.test(f));
  await h.poll('a file', async () => files().length === 1);
  await remove('Night shift cap');
  await h.poll('one less', async () => (await h.count('a[aria-label^="Open "]')) === 4);
  await (await h.find('input[type=file]')).sendKeys(join(downloads, files()[0]));
  await h.find('a[aria-label="Open Night shift cap"]');
  assert.equal(await h.count('a[aria-label^="Open "]'), 5);
});

test('after a week of work that no file holds, the shelf asks for a backup', async () => {
  const asked = () => h.count('[data-testid="backup-due"]');
  const files = () => readdirSync(downloads).filter((f) => /^shelf-.*\.cobble$/.test(f)).length;
  const before = files();
  assert.equal(await asked(), 0);
  await h.openDemo(app);
  await rename('Ferry crew polo, second run');
  await h.saved();
  const { identifier } = await driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    source: 'const now = Date.now; Date.now = () => now() + 8 * 24 * 3600 * 1000;',
  });
  await driver.get(app.address);
  await (await h.findText('*[@data-testid="backup-due"]//button', 'Save the whole shelf to a file')).click();
  await h.poll('no more asked', async () => (await asked()) === 0);
  await h.poll('a file', async () => files() === before + 1);
  await h.poll('not asked again', async () => {
    await driver.navigate().refresh();
    await h.find('a[aria-label^="Open Ferry crew polo"]');
    await new Promise((r) => setTimeout(r, 500));
    return (await asked()) === 0;
  });
  await driver.sendDevToolsCommand('Page.removeScriptToEvaluateOnNewDocument', { identifier });
});

test('a job asked for while the shelf’s pictures are being sewn comes before them', async () => {
  const own = await startBrowser();
  try {
    const hand = hands(own.driver);
    await own.driver.get(app.address);
    await (await hand.find('a[aria-label^="Open "]')).click();
    await hand.sewn();
    const kept = await own.driver.executeAsyncScript(`
      const done = arguments[arguments.length - 1];
      const opened = indexedDB.open('cobble-pictures');
      opened.onerror = () => done('no database');
      opened.onsuccess = () => {
        const all = opened.result.objectStoreNames.contains('pictures')
          ? opened.result.transaction('pictures').objectStore('pictures').count()
          : null;
        if (!all) return done(0);
        all.onsuccess = () => done(all.result);
      };`);
    assert.equal(typeof kept, 'number');
    assert.equal(kept < 4, true, `${kept} of five pictures were sewn first`);
  } finally {
    await own.driver.quit();
  }
});

/** What an attack says; of one that finds something too, or nobody would know what. */
function attacked(...words) {
  const { stdout, stderr, status } = spawnSync('node', ['tests/attack/run.mjs', ...words], { encoding: 'utf8' });
  assert.equal(status, 0, `${stdout}${stderr}`);
  return stdout;
}

for (const [attack, words] of [
  ['kill', '--count=3'],
  ['tabs', '--count=3'],
  ['server', '--count=20'],
  ['monkey', '--seconds=15'],
]) {
  test(`a short attack: ${attack}`, () => {
    assert.match(attacked(attack, words), /\d+ tried, 0 crashed, 0 hung, 0 wrong/);
  });
}

test('a short attack: drawings, records and files', () => {
  const said = attacked('drawings', 'records', 'bundles', 'libraries', '--count=60', '--from=18');
  assert.equal(said.match(/60 tried, 0 crashed, 0 hung, 0 wrong/g)?.length, 4, said);
});

test('a short attack: stores that fail', () => {
  assert.match(attacked('stores'), /\d+ tried, 0 crashed, 0 hung, 0 wrong/);
});
