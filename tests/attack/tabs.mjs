// Two tabs on one job, at random delays: looking overwrites nothing, the follower shows what the editor makes, and the right to edit can be asked for.
import { bundleOf, hands, jobRecord, startApp, startBrowser } from '../journeys/browser.mjs';
import { option, pause, randomOf, Tally } from './kit.mjs';

const count = option('count', 50);
const random = randomOf(option('seed', 2));
const RIGHT = '\uE014';
const STEP_MM = 0.1;

const tally = new Tally();
const app = await startApp();
const { driver } = await startBrowser();
const h = hands(driver);
await h.openBundle(app, bundleOf(jobRecord('Shared', [{ area: 'M-50,-20 H-30 V0 H-50 Z' }, { area: 'M5,5 H25 V25 H5 Z' }])));
const address = await driver.getCurrentUrl();
const first = await driver.getWindowHandle();

const left = () => driver.executeScript("return document.querySelector('[data-testid=selection]')?.getBBox().x ?? null");
async function choose() {
  await h.poll('the piece is chosen', async () => {
    if ((await left()) === null) await h.key('n');
    return (await left()) !== null;
  });
}
const place = async (drawnAt) => {
  await choose();
  return Math.round(((await left()) - drawnAt) / STEP_MM);
};
await choose();
const drawnAt = await left();
let made = 0;

for (let i = 0; i < count; i++) {
  tally.tried++;
  try {
    await driver.switchTo().window(first);
    await choose();
    // Edits go on while the second tab opens, looks, draws its picture and goes.
    const edits = 1 + Math.floor(6 * random());
    for (let k = 0; k < edits; k++) {
      await h.key(RIGHT);
      made++;
      await pause(80 * random());
    }
    await pause(1500 * random());
    await driver.switchTo().newWindow('tab');
    await driver.get(address);
    await h.sewn();
    await h.find('[data-testid="follower"]');
    await pause(2500 * random());
    await h.poll(`the follower shows ${made}`, async () => (await place(drawnAt)) === made);
    await h.key(RIGHT);
    await pause(300);
    if ((await place(drawnAt)) !== made) tally.note('wrong', `round ${i + 1}: the follower changed the job`);
    if (random() < 0.4) {
      await (await h.findText('button', 'Edit it in this tab')).click();
      await h.poll('the right to edit', async () => (await h.count('[data-testid="follower"]')) === 0);
      await choose();
      await h.key(RIGHT);
      made++;
      await h.saved();
      await pause(600 * random());
    }
    await driver.close();
    await driver.switchTo().window(first);
    await h.poll('the first tab edits again', async () => (await h.count('[data-testid="follower"]')) === 0);
    await h.poll(`the first tab shows ${made}`, async () => (await place(drawnAt)) === made);
    if ((await h.count('[data-testid="conflict"]')) > 0) tally.note('wrong', `round ${i + 1}: a conflict`);
  } catch (error) {
    tally.note('wrong', `round ${i + 1}: ${error.message.split('\n')[0]}`);
    for (const tab of await driver.getAllWindowHandles()) {
      if (tab === first) continue;
      await driver.switchTo().window(tab);
      await driver.close();
    }
    await driver.switchTo().window(first);
    await driver.get(address);
    await h.sewn();
    made = await place(drawnAt);
  }
}
await driver.get(address);
await h.sewn();
if ((await place(drawnAt)) !== made) tally.note('wrong', `at the end ${await place(drawnAt)} of ${made} edits`);
await driver.quit();
app.stop();
tally.end();
process.exit();
