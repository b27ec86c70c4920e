// A job of 1,000 pieces and 265,000 stitches in the browser: import to sewn, one edit, choose all, nudge all, memory.
// `node tests/bench/scale.mjs [folder of a built checkout]`; the app of that folder is measured with this one's hands.
import { execFileSync, spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { bundleOf, hands, jobRecord, startApp, startBrowser } from '../journeys/browser.mjs';

const elsewhere = process.argv[2];
const [columns, rows] = [40, 25];
const pieces = Array.from({ length: columns * rows }, (_, i) => {
  const [x, y] = [-172 + (i % columns) * 8.6, -171 + Math.floor(i / columns) * 13.7];
  return {
    area: `M${x.toFixed(3)},${y.toFixed(3)} h8 v13 h-8 Z`,
    settings: { spacing: 0.27, stitchLength: 2.2, angle: (i * 30) % 180 },
  };
});
const hoop = { width: 360, height: 360, shape: 'rect' };
const bundle = bundleOf(jobRecord('Scale', pieces, { hoop }));

async function startElsewhere(folder) {
  const port = 4991;
  const server = spawn('node_modules/.bin/next', ['start', '-H', '127.0.0.1', '-p', String(port)], {
    cwd: folder,
    stdio: 'ignore',
    detached: true,
  });
  const address = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 100; i++) {
    if (
      await fetch(address).then(
        (r) => r.ok,
        () => false,
      )
    )
      break;
    await new Promise((r) => setTimeout(r, 200));
  }
  return { address, stop: () => server.kill() };
}

const app = elsewhere ? await startElsewhere(elsewhere) : await startApp();
const { driver, profile } = await startBrowser();
const h = hands(driver);
const line = (name, ms) => console.log(`${name.padEnd(34)} ${Math.round(ms).toLocaleString('en').padStart(7)} ms`);

await driver.get(app.address);
await h.find('a[aria-label="Open Botanical jacket back"]');
await new Promise((r) => setTimeout(r, 8000));
/** Memory of the process that holds the page and its workers, MB: in all, and without what it shares with other programs. */
const memory = () => {
  const renderers = execFileSync('ps', ['-eo', 'rss,pid,args'], { encoding: 'utf8' })
    .split('\n')
    .filter((row) => row.includes('--type=renderer') && row.includes(profile))
    .map((row) => row.trim().split(/\s+/).map(Number));
  const [resident, pid] = renderers.sort(([a], [b]) => b - a)[0];
  const own = readFileSync(`/proc/${pid}/smaps_rollup`, 'utf8').matchAll(/Private_(?:Clean|Dirty):\s+(\d+)/g);
  return { resident: resident / 1000, own: [...own].reduce((sum, [, kB]) => sum + Number(kB), 0) / 1000 };
};
let most = 0;
const looking = setInterval(() => (most = Math.max(most, memory().own)), 1000);
let from = Date.now();
await (await h.find('input[type=file]')).sendKeys(bundle);
await h.sewn();
line('import to sewn', Date.now() - from);
console.log(`  ${await h.total('stitches')} stitches`);
await new Promise((r) => setTimeout(r, 20_000));

/** Milliseconds until the canvas shows another plan than before, once `act` has run in the page. */
const untilRedrawn = (act) =>
  driver.executeAsyncScript(`
    const done = arguments[arguments.length - 1];
    const canvas = document.querySelector('canvas[role=img]');
    const before = canvas.dataset.version;
    const from = performance.now();
    const seen = new MutationObserver(() => {
      if (canvas.dataset.version === before) return;
      seen.disconnect();
      done(performance.now() - from);
    });
    seen.observe(canvas, { attributes: true, attributeFilter: ['data-version'] });
    (${act})();
  `);
const press = (key, more = '') =>
  `() => window.dispatchEvent(new KeyboardEvent('keydown', { key: '${key}', bubbles: true, cancelable: true ${more} }))`;
await driver.manage().setTimeouts({ script: 120_000 });

/** Until the proof has run and the picture of the shelf is made: nothing works in the background any more. */
const rest = async () => {
  await new Promise((r) => setTimeout(r, 2000));
  const checking = "return /checking|Checking/.test(document.querySelector('footer')?.textContent ?? '')";
  for (let i = 0; i < 90 && (await driver.executeScript(checking)); i++) await new Promise((r) => setTimeout(r, 500));
  await new Promise((r) => setTimeout(r, 1500));
};
const median = (all) => all.toSorted((a, b) => a - b)[Math.floor(all.length / 2)];

await h.key('n');
await rest();
const edits = [];
for (let i = 0; i < 5; i++) {
  edits.push(await untilRedrawn(press('ArrowRight')));
  await rest();
}
line('edit of one piece to screen, median', median(edits));
console.log('  ' + edits.map(Math.round).join(' '));
const busy = [];
for (let i = 0; i < 5; i++) {
  busy.push(await untilRedrawn(press('ArrowRight')));
  await new Promise((r) => setTimeout(r, 2500));
}
line('the same while the proof runs', median(busy));
console.log('  ' + busy.map(Math.round).join(' '));
await rest();
/** Milliseconds of the page's own thread for a key, to the next frame. */
const timed = (act) =>
  driver.executeAsyncScript(
    `const done = arguments[arguments.length - 1]; const from = performance.now(); (${act})(); requestAnimationFrame(() => setTimeout(() => done(performance.now() - from)));`,
  );
line('choose all', await timed(press('a', ', ctrlKey: true')));
await rest();
line('nudge all to screen', await untilRedrawn(press('ArrowRight')));
await rest();
// Browsers collect what is left over only after a while.
await new Promise((r) => setTimeout(r, 30_000));
clearInterval(looking);
const heap = await driver.executeScript('return performance.memory.usedJSHeapSize / 1e6');
console.log(`page heap                          ${heap.toFixed(0).padStart(7)} MB`);
console.log(
  `page and workers at rest           ${memory().own.toFixed(0).padStart(7)} MB of their own (${memory().resident.toFixed(0)} with what programs share)`,
);
console.log(`at most since the import           ${most.toFixed(0).padStart(7)} MB of their own`);
await driver.quit();
app.stop();
process.exit();
