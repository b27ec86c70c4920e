// Kills the browser at random moments of continuous editing: afterwards at most a second of work may be missing, and the job must open.
import { execFileSync } from 'node:child_process';
import { bundleOf, hands, jobRecord, startApp, startBrowser } from '../journeys/browser.mjs';
import { option, pause, randomOf, Tally } from './kit.mjs';

const count = option('count', 100);
const random = randomOf(option('seed', 1));
const LONGEST_LOSS_MS = 1000;
/** A key that the driver has sent is an edit only a moment later. */
const ARRIVAL_MS = 100;
const RIGHT = '\uE014';
const STEP_MM = 0.1;

/** How often the first piece was moved right, as the page shows it. */
async function moved(driver, h, drawnAt) {
  await h.poll('the piece is chosen', async () => {
    if ((await h.count('[data-testid="selection"]')) === 0) await h.key('n');
    return (await h.count('[data-testid="selection"]')) > 0;
  });
  const left = await driver.executeScript("return document.querySelector('[data-testid=selection]').getBBox().x");
  return Math.round((left - drawnAt) / STEP_MM);
}

const kill = (profile) => {
  try {
    execFileSync('pkill', ['-9', '-f', profile]);
  } catch {
    // Nothing was left to kill.
  }
};

const tally = new Tally();
const app = await startApp();
const bundle = bundleOf(jobRecord('Killed', [{ area: 'M-50,-20 H-30 V0 H-50 Z' }, { area: 'M5,5 H25 V25 H5 Z' }]));
let { driver, profile } = await startBrowser();
await hands(driver).openBundle(app, bundle);
const address = await driver.getCurrentUrl();
const drawnAt = await (async () => {
  const h = hands(driver);
  await moved(driver, h, 0);
  return driver.executeScript("return document.querySelector('[data-testid=selection]').getBBox().x");
})();
let before = 0;
let worst = 0;
for (let i = 0; i < count; i++) {
  const h = hands(driver);
  tally.tried++;
  try {
    const sent = [];
    const until = Date.now() + 200 + 3300 * random();
    while (Date.now() < until) {
      await h.key(RIGHT);
      sent.push(Date.now());
      await pause(150 * random());
    }
    const end = Date.now();
    kill(profile);
    await driver.quit().catch(() => undefined);
    ({ driver } = await startBrowser({ profile }));
    const again = hands(driver);
    await driver.get(address);
    await again.sewn();
    const now = await moved(driver, again, drawnAt);
    const due = sent.filter((t) => t < end - LONGEST_LOSS_MS - ARRIVAL_MS).length;
    const lost = sent.filter((t) => t < end - ARRIVAL_MS).length - (now - before);
    const since = lost > 0 ? end - sent[sent.length - lost - sent.filter((t) => t >= end - ARRIVAL_MS).length] : 0;
    worst = Math.max(worst, since);
    if (now < before + due) tally.note('wrong', `kill ${i + 1}: ${sent.length} edits, ${now - before} kept, ${due} were due`);
    before = now;
  } catch (error) {
    tally.note('crashed', `kill ${i + 1}: ${error.message.split('\n')[0]}`);
    kill(profile);
    ({ driver } = await startBrowser({ profile }));
    await driver.get(address);
    before = await moved(driver, hands(driver), drawnAt).catch(() => before);
  }
}
await driver.quit().catch(() => undefined);
app.stop();
console.log(`  the oldest edit that was lost was made ${worst} ms before the kill`);
tally.end();
process.exit();
