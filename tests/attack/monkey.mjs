// Five minutes of keys, clicks, drags, typing and moves between places at random: nothing may break, and the job must be whole afterwards.
import { hands, startApp, startBrowser } from '../journeys/browser.mjs';
import { option, pause, randomOf, Tally } from './kit.mjs';

const seconds = option('seconds', 300);
const random = randomOf(option('seed', 3));
const of = (list) => list[Math.floor(random() * list.length)];
const KEYS = [
  ..."qgteRwdivpm=nb[]{}cklxjsfozyuah;'+-0.,lL!/?",
  ' ',
  '\uE007',
  '\uE00C',
  '\uE017',
  '\uE003',
  '\uE012',
  '\uE013',
  '\uE014',
  '\uE015',
  '\uE011',
  '\uE010',
  '\uE004',
];
const WITH_CONTROL = ['z', 'y', 'a', 'c', 'v', 'f'];
const TYPED = ['0', '-1', '7', '1e9', 'abc', '0,4', '64 rows/in', '150 %', '', '999999999999', '.', '\uE007', '\uE00C'];

const tally = new Tally();
const app = await startApp();
const { driver } = await startBrowser();
const h = hands(driver);
await driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
  source: `window.__faults = []; addEventListener('error', (e) => __faults.push(String(e.message))); addEventListener('unhandledrejection', (e) => __faults.push(String(e.reason?.stack ?? e.reason)));`,
});
const bench = await h.openDemo(app);
const place = (name) => bench.replace('/bench', `/${name}`);

const act = {
  key: () => h.key(of(KEYS)),
  control: () => h.withControl(of(WITH_CONTROL)),
  async click() {
    await driver
      .actions()
      .move({ x: 60 + Math.floor(1200 * random()), y: 55 + Math.floor(720 * random()) })
      .press()
      .release()
      .perform();
  },
  async drag() {
    const spot = () => ({ x: 100 + Math.floor(850 * random()), y: 90 + Math.floor(480 * random()) });
    await driver.actions().move(spot()).press().move(spot()).move(spot()).release().perform();
  },
  async type() {
    const fields = await driver.findElements({ css: 'aside input:not([type=file]), main input:not([type=file])' });
    if (fields.length > 0) await of(fields).sendKeys(of(TYPED), random() < 0.5 ? '\uE007' : '');
  },
  async button() {
    const buttons = await driver.findElements({ css: 'aside button, footer button, [role=toolbar] button' });
    if (buttons.length > 0) await driver.executeScript('arguments[0].click()', of(buttons));
  },
  async go() {
    await driver.get(place(of(['brief', 'art', 'bench', 'bench', 'bench'])));
    await pause(400);
  },
  reload: () => driver.navigate().refresh(),
};
const WEIGHTS = { key: 30, control: 8, click: 16, drag: 12, type: 8, button: 14, go: 2, reload: 1 };
const BAG = Object.entries(WEIGHTS).flatMap(([name, n]) => Array(n).fill(name));

async function faults() {
  const seen = await driver.executeScript('return window.__faults?.splice(0) ?? []');
  for (const text of seen) tally.note('crashed', text.slice(0, 300));
  const said = await driver.executeScript(
    "return [...document.querySelectorAll('[role=alert], [data-sonner-toast]')].map((e) => e.textContent)",
  );
  for (const text of said)
    if (/unforeseen|undefined|\[object|NaN|stopped twice/.test(text)) tally.note('wrong', `it said: ${text.slice(0, 200)}`);
  const shown = await driver.executeScript(
    'return document.body.innerText.match(/NaN|undefined|\\[object Object\\]|Infinity/)?.[0] ?? null',
  );
  if (shown) tally.note('wrong', `the page shows ‘${shown}’`);
  if (await driver.executeScript("return document.body.innerText.includes('Application error')"))
    tally.note('crashed', 'the page fell over');
}

const until = Date.now() + seconds * 1000;
while (Date.now() < until) {
  const what = of(BAG);
  tally.tried++;
  const began = Date.now();
  try {
    await act[what]();
  } catch (error) {
    // Elements go while they are looked for; that the page answers is asked below.
    if (!/stale|not interactable|'text' is empty|intercepted|out of bounds|no such element/i.test(error.message))
      tally.note('crashed', `${what}: ${error.message.split('\n')[0]}`);
  }
  if (Date.now() - began > 20_000) tally.note('hung', `${what} took ${Date.now() - began} ms`);
  if (!(await driver.getCurrentUrl()).includes('/job/')) await driver.get(bench);
  if (tally.tried % 10 === 0) await faults();
}
await faults();
await driver.get(bench);
await h
  .poll('the job opens and is sewn, or is empty', async () => {
    const until = await driver.executeScript("return Number(document.querySelector('canvas[role=img]')?.dataset.until ?? 0)");
    return until > 0 || (await h.count('[data-piece]')) === 0;
  })
  .catch(() => tally.note('wrong', 'the job does not open afterwards'));
await driver.quit();
app.stop();
tally.end();
process.exit();
