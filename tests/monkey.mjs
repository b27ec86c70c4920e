// A monkey at the keyboard and the pointer: whatever it does on the Bench, in places and panels, nothing may break and no job may be lost.
import { pathToFileURL } from 'node:url';
import { hands, startApp, startBrowser } from './journeys/browser.mjs';

const KEYS = [
  ...'abcdefghijklmnopqrstuvwxyz0+-.,[]{}!;?/"*=',
  '\uE007',
  '\uE00C',
  '\uE017',
  '\uE012',
  '\uE013',
  '\uE014',
  '\uE015',
  '\uE004',
  '\uE011',
  '\uE010',
  ' ',
];
const CONTROLLED = ['z', 'y', 'a', 'c', 'v', 'f', '\uE007'];

/** The same for the same seed: 0 to 1. */
export function chance(seed) {
  let s = seed >>> 0;
  return () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0;
    return s / 2 ** 32;
  };
}

/** Where something can be pressed now, page pixels; ways out of the app and file dialogs are left alone. */
const TARGETS = `
  const all = [...document.querySelectorAll('button, a[href^="/"], select, input:not([type=file]), summary, [role=tab], [role=option], [role=menuitem]')];
  return all.map((e) => ({ e, r: e.getBoundingClientRect() }))
    .filter(({ e, r }) => r.width > 3 && r.height > 3 && r.x >= 0 && r.y >= 0 && r.right <= innerWidth && r.bottom <= innerHeight
      && !e.disabled && !/^(Remove|Forget|New job)/.test(e.getAttribute('aria-label') ?? e.textContent ?? ''))
    .map(({ r }) => [Math.round(r.x + r.width / 2), Math.round(r.y + r.height / 2)]);`;

async function pressAny(driver, next) {
  const targets = await driver.executeScript(TARGETS);
  if (targets.length === 0) return;
  const [x, y] = targets[Math.floor(next() * targets.length)];
  await driver.actions().move({ x, y }).press().release().perform();
}

async function dragAnywhere(driver, next, { width, height }) {
  const place = () => ({ x: Math.round(2 + next() * (width - 4)), y: Math.round(2 + next() * (height - 4)) });
  const hand = driver.actions().move(place()).press();
  for (let i = 0; i < 3; i++) hand.move({ ...place(), duration: 10 });
  await hand.release().perform();
}

const pressKey = (driver, next) =>
  driver
    .actions()
    .sendKeys(KEYS[Math.floor(next() * KEYS.length)])
    .perform();

const control = (driver, next) =>
  driver
    .actions()
    .keyDown('\uE009')
    .sendKeys(CONTROLLED[Math.floor(next() * CONTROLLED.length)])
    .keyUp('\uE009')
    .perform();

const typeNumber = (driver, next) =>
  driver
    .actions()
    .sendKeys(...String(Math.round(next() * 200 - 20) / 10), '\uE007')
    .perform();

const wheel = (driver, next) =>
  driver.executeScript(
    `document.elementFromPoint(600, 300)?.dispatchEvent(new WheelEvent('wheel', { deltaY: arguments[0], ctrlKey: arguments[1], bubbles: true, cancelable: true, clientX: 600, clientY: 300 }))`,
    Math.round(next() * 400 - 200),
    next() < 0.3,
  );

const ACTS = [
  [0.34, pressAny],
  [0.58, dragAnywhere],
  [0.8, pressKey],
  [0.88, control],
  [0.94, typeNumber],
  [1, wheel],
];

/** What the console said that no page should say. */
async function complaints(driver) {
  const entries = await driver.manage().logs().get('browser');
  return entries.filter((e) => e.level.name === 'SEVERE').map((e) => e.message);
}

/**
 * Lets it loose on a job for so long.
 * @returns what went wrong, and how much was done
 */
export async function monkey({ driver, address, seconds, seed, size = { width: 1280, height: 800 } }) {
  const next = chance(seed);
  const h = hands(driver);
  await driver.get(address);
  await h.find('a[aria-label="Open Pottery café apron"]');
  const home = await (await h.find('a[aria-label="Open Ferry crew polo"]')).getAttribute('href');
  const jobs = await h.count('a[aria-label^="Open "]');
  await driver.get(home);
  await h.sewn();
  const until = Date.now() + seconds * 1000;
  const wrong = [];
  let acts = 0;
  while (Date.now() < until && wrong.length === 0) {
    const which = next();
    const [, act] = ACTS.find(([upTo]) => which < upTo);
    await act(driver, next, size).catch((error) => {
      // What was aimed at went away meanwhile, as it does under any hand.
      if (!/stale|out of bounds|not interactable|no such/i.test(error.message)) throw error;
    });
    acts++;
    if (acts % 25 === 0) {
      wrong.push(...(await complaints(driver)));
      const text = await driver.executeScript('return document.body.innerText');
      if (/Application error|went wrong on this page/i.test(text)) wrong.push(`after ${acts} acts: ${text.slice(0, 200)}`);
      const at = await driver.getCurrentUrl();
      if (!at.includes('/job/')) await driver.get(home);
    }
  }
  wrong.push(...(await complaints(driver)));
  await driver.get(address);
  await h.find('a[aria-label^="Open "]');
  const left = await h.count('a[aria-label^="Open "]');
  if (left < jobs) wrong.push(`${jobs} jobs before, ${left} after`);
  await driver.get(home);
  await h.sewn();
  if ((await h.count('[data-piece]')) === 0 && !/Nothing to sew yet/.test(await h.text('body')))
    wrong.push('the job came back without its pieces');
  return { acts, wrong };
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) {
  const [minutes = '5', seed = '1'] = process.argv.slice(2);
  const app = await startApp();
  const { driver } = await startBrowser();
  try {
    const { acts, wrong } = await monkey({ driver, address: app.address, seconds: Number(minutes) * 60, seed: Number(seed) });
    console.log(`${acts} acts in ${minutes} minutes, seed ${seed}: ${wrong.length === 0 ? 'nothing went wrong' : wrong.join('\n')}`);
    process.exitCode = wrong.length === 0 ? 0 : 1;
  } finally {
    await driver.quit();
    app.stop();
  }
}
