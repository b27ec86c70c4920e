import fc from 'fast-check';
import { TARGET_PX, tabsFor, type Span } from './tabs';

/** Stretches that follow each other along a strip, most of them too narrow. */
const strips = fc
  .record({
    widths: fc.array(fc.oneof(fc.double({ min: 0.2, max: 12, noNaN: true }), fc.double({ min: 30, max: 200, noNaN: true })), {
      minLength: 1,
      maxLength: 120,
    }),
    begins: fc.double({ min: 0, max: 60, noNaN: true }),
  })
  .map(({ widths, begins }) => {
    let x = begins;
    const spans: Span[] = widths.map((w, i) => ({ id: `p${i}`, x: (x += w) - w, w }));
    return { spans, width: Math.max(200, x) };
  });

test('every narrow stretch has a target, none lies over another or off the strip, all in order', () => {
  fc.assert(
    fc.property(strips, ({ spans, width }) => {
      const tabs = tabsFor(spans, width);
      expect(tabs.flatMap((t) => t.ids)).toEqual(spans.filter((s) => s.w < TARGET_PX).map((s) => s.id));
      tabs.forEach((t, i) => {
        expect(t.w).toBeGreaterThanOrEqual(16);
        expect(t.x).toBeGreaterThanOrEqual(-1e-9);
        expect(t.x + t.w).toBeLessThanOrEqual(width + 1e-6);
        if (i > 0) expect(t.x).toBeGreaterThanOrEqual(tabs[i - 1]!.x + tabs[i - 1]!.w - 1e-6);
      });
    }),
  );
});

test('a lone narrow stretch has its target over its middle; wide ones need none', () => {
  expect(tabsFor([{ id: 'a', x: 100, w: 4 }], 500)).toEqual([{ ids: ['a'], x: 102 - TARGET_PX / 2, w: TARGET_PX }]);
  expect(tabsFor([{ id: 'a', x: 100, w: 40 }], 500)).toEqual([]);
});

test('where more lie than fit, neighbours share a target', () => {
  const tabs = tabsFor(
    Array.from({ length: 100 }, (_, i) => ({ id: `${i}`, x: i * 2, w: 2 })),
    200,
  );
  expect(tabs.length).toBeLessThanOrEqual(200 / TARGET_PX);
  expect(Math.max(...tabs.map((t) => t.ids.length)) - Math.min(...tabs.map((t) => t.ids.length))).toBeLessThan(10);
});
