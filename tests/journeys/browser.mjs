// Starts the built application and a browser for journeys and screenshots.
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { after } from 'node:test';
import { Builder, By, until } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';

export { By, until };

async function freePort() {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => resolve(port));
    });
  });
}

/** The production server on a free port, or on one that it had before; its machines remember what lies in their folder. */
export async function startApp({ machines = mkdtempSync(join(tmpdir(), 'cobble-machines-')), port: wanted } = {}) {
  const port = wanted ?? (await freePort());
  const server = spawn('node', ['scripts/serve.mjs', String(port)], {
    stdio: 'ignore',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production', COBBLE_MACHINES: machines },
  });
  const address = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 600; i++) {
    try {
      const response = await fetch(address);
      if (response.ok) return { address, port, machines, stop: () => server.kill('SIGTERM'), kill: () => server.kill('SIGKILL') };
    } catch {
      // Not up yet.
    }
    await new Promise((r) => setTimeout(r, 200));
  }
  server.kill('SIGTERM');
  throw new Error('the application did not start');
}

const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-dev-shm-usage',
  '--hide-scrollbars',
  '--force-device-scale-factor=1',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--window-size=1280,800',
];

/** A browser of 1280 x 800 with its own download folder, and an empty profile unless it is given one. */
export async function startBrowser({ width = 1280, height = 800, profile = mkdtempSync(join(tmpdir(), 'cobble-profile-')) } = {}) {
  const downloads = mkdtempSync(join(tmpdir(), 'cobble-downloads-'));
  const options = new chrome.Options()
    .setChromeBinaryPath(process.env.CHROMIUM ?? '/usr/bin/chromium')
    .addArguments(...FLAGS, `--user-data-dir=${profile}`)
    .setUserPreferences({ 'download.default_directory': downloads, 'download.prompt_for_download': false });
  const service = new chrome.ServiceBuilder(process.env.CHROMEDRIVER ?? '/usr/bin/chromedriver');
  const driver = await new Builder().forBrowser('chrome').setChromeOptions(options).setChromeService(service).build();
  await driver.manage().setTimeouts({ script: 300000 });
  await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false });
  // `SLOWER=6 node --test …` runs the journeys as on a machine six times slower.
  if (process.env.SLOWER) await driver.sendDevToolsCommand('Emulation.setCPUThrottlingRate', { rate: Number(process.env.SLOWER) });
  return { driver, downloads, profile };
}

/** A job record as a person might write it by hand, with whatever a journey needs in it. */
export function jobRecord(name, pieces, { hoop = { width: 130, height: 180, shape: 'rect' }, threads = [], settings = {} } = {}) {
  return {
    cobble: 1,
    id: name.toLowerCase().replace(/\W+/g, '-'),
    name,
    brief: { cloth: 'twill', place: 'apron', hoop, size: { width: 60 }, quantity: 1, notes: '' },
    threads: [{ id: 't1', code: 'Q214', name: 'Deep water', hex: '#0b5563', weight: 40 }, ...threads],
    artwork: [],
    pieces: pieces.map((p, i) => ({ id: `p${i + 1}`, name: `Piece ${i + 1}`, kind: 'fill', thread: 't1', settings: {}, ...p })),
    settings,
    sewouts: [],
    repeat: null,
  };
}

/** The same as a bundle on disk, as the shelf opens it; written by the headless tool. */
export function bundleOf(job) {
  const json = join(mkdtempSync(join(tmpdir(), 'cobble-job-')), `${job.id}.json`);
  writeFileSync(json, JSON.stringify(job));
  const bundle = json.replace(/json$/, 'cobble');
  execFileSync(join(process.cwd(), 'bin', 'cobble'), ['plan', json, '--out', bundle]);
  return bundle;
}

/** Small words for what a person does. */
export function hands(driver) {
  const wait = 90000;
  const find = (css) => driver.wait(until.elementLocated(By.css(css)), wait, `no ${css}`);
  const findText = (tag, text) =>
    driver.wait(
      until.elementLocated(By.xpath(`//${tag}[contains(normalize-space(.), ${JSON.stringify(text)})]`)),
      wait,
      `no ${tag} ‘${text}’`,
    );
  const poll = (what, check) => driver.wait(check, wait, `never: ${what}`);
  const sewn = () =>
    poll(
      'stitches on screen',
      async () => (await driver.executeScript("return Number(document.querySelector('canvas[role=img]')?.dataset.until ?? 0)")) > 0,
    );
  return {
    find,
    findText,
    poll,
    /** Goes to a part of the Floor. */
    async floorPart(name) {
      const part = await driver.wait(
        async () => {
          for (const b of await driver.findElements(By.css('nav[aria-label="Parts of the floor"] button')))
            if ((await b.getText()).startsWith(name)) return b;
          return null;
        },
        wait,
        `no part ‘${name}’`,
      );
      await part.click();
    },
    /** Opens the demo job on the bench. @returns its address */
    async openDemo(app) {
      await driver.get(app.address);
      const bench = await (await find('a[aria-label="Open Ferry crew polo"]')).getAttribute('href');
      await driver.get(bench);
      await sewn();
      return bench;
    },
    /** Opens a bundle from disk on the bench, as a person drops it on the shelf. */
    async openBundle(app, bundle) {
      await driver.get(app.address);
      await (await find('input[type=file]')).sendKeys(bundle);
      await poll('the job', async () => (await driver.getCurrentUrl()).includes('/job/'));
      await driver.get((await driver.getCurrentUrl()).replace(/\/[a-z]+$/, '/bench'));
      await sewn();
    },
    count: async (css) => (await driver.findElements({ css })).length,
    key: (k) => driver.actions().sendKeys(k).perform(),
    withControl: (k) => driver.actions().keyDown('\uE009').sendKeys(k).keyUp('\uE009').perform(),
    /** Pixel of the window for a place on the cloth, mm. */
    pixel: (x, y) =>
      driver.executeScript(
        `const c = document.querySelector('[data-testid=cloth]').getBoundingClientRect();
         const [l, t, w, h] = document.querySelector('[data-testid=cloth] svg').getAttribute('viewBox').split(' ').map(Number);
         return { x: Math.round(c.left + ((arguments[0] - l) / w) * c.width), y: Math.round(c.top + ((arguments[1] - t) / h) * c.height) };`,
        x,
        y,
      ),
    text: async (css) => (await find(css)).getText(),
    total: async (name) => (await find(`[data-total="${name}"]`)).getText(),
    sewn,
    saved: () => poll('saved', async () => (await driver.findElements(By.css('[data-saved="saved"]'))).length > 0),
  };
}

/** The application, a browser and hands for a file of journeys; all of it goes when the file's tests have run. */
export async function startJourney() {
  const app = await startApp();
  after(app.stop);
  const { driver, downloads } = await startBrowser();
  after(() => driver.quit());
  return { app, driver, downloads, h: hands(driver) };
}
