// The pull of the cloth: a late outline gapes in the forecast, and auto-correction closes it without moving the outline.
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { bundleOf, jobRecord, startJourney } from './browser.mjs';

/** A field on a T-shirt, ten stripes upon it, and its outline last of all; above it a tab that is edged at once. */
const late = jobRecord(
  'Late outline',
  [
    { name: 'Tab', area: 'M-8,-48 h16 v8 h-16 Z' },
    { name: 'Tab edge', kind: 'satin', thread: 't2', line: 'M-8,-48 h16 v8 h-16 Z', width: 5, join: 'miter' },
    { name: 'Field', area: 'M-30,-30 h60 v60 h-60 Z', settings: { angle: 0 } },
    ...Array.from({ length: 10 }, (_, k) => ({ name: `Stripe ${k + 1}`, thread: 't2', area: `M${k * 5 - 24},-20 h4.4 v40 h-4.4 Z` })),
    { name: 'Outline', kind: 'satin', thread: 't2', line: 'M-30,-30 h60 v60 h-60 Z', width: 5, join: 'miter' },
  ],
  { hoop: { width: 120, height: 120, shape: 'rect' }, threads: [{ id: 't2', code: 'Q310', name: 'Tar', hex: '#20242c', weight: 40 }] },
);
late.brief.cloth = 'jersey';
const { app, driver, h } = await startJourney();
const bundle = bundleOf(late);
await h.openBundle(app, bundle);

const shapes = () =>
  driver.executeScript('return [...document.querySelectorAll("[data-gap]")].map((e) => Number(e.dataset.gap)).sort((a, b) => b - a)');

test('the Pull look shows a gap at the late outline', async () => {
  await (await h.findText('button', 'Pull')).click();
  await h.poll('a gap', async () => /\d gap/.test(await h.text('[data-testid="pull-legend"]')));
  const gaps = await shapes();
  assert.ok(gaps[0] > 0.15, `gaps of ${gaps.join(', ')} mm`);
});

test('auto-correction shows what it would do, and closes the gap in one step that can be undone', async () => {
  await (await h.findText('button', 'Correct the edges')).click();
  await h.poll('a proposal', async () => /no cloth shows/.test(await h.text('[data-testid="correction"]')));
  assert.ok((await shapes()).length > 0, 'nothing changes before it is taken');
  await (await h.findText('button', 'Take the correction')).click();
  await h.poll('no gap', async () => /^No cloth shows/.test(await h.text('[data-testid="pull-gaps"]')));
  await driver.executeScript('document.activeElement.blur()');
  await h.withControl('z');
  await h.poll('the gap again', async () => /\d gap/.test(await h.text('[data-testid="pull-gaps"]')));
});

test('edges that stay closed tell the overlap that will be left', async () => {
  await (await h.findText('button', 'Correct the edges')).click();
  await (await h.findText('button', 'Take the correction')).click();
  await h.poll('no gap', async () => /^No cloth shows/.test(await h.text('[data-testid="pull-gaps"]')));
  await (await h.findText('label', 'Overlaps that will be left')).click();
  await h.find('[data-label^="over "]');
  await (await h.findText('label', 'Overlaps that will be left')).click();
  await h.poll('hidden again', async () => (await h.count('[data-label^="over "]')) === 0);
});
