import { Planner } from '../plan/planner';
import { measurePlan } from '../plan/measure';
import { GLOSSARY, TERM_SAMPLES } from './glossary';
import { GALLERY, jobOfSample } from './samples';

const samples = [...GALLERY.flatMap((g) => g.samples), ...TERM_SAMPLES];

test('no word is explained twice, and they stand in the order of the alphabet', () => {
  const terms = GLOSSARY.map((t) => t.term);
  expect(new Set(GLOSSARY.map((t) => t.key)).size).toBe(GLOSSARY.length);
  expect([...terms].sort((a, b) => a.localeCompare(b, 'en'))).toEqual(terms);
});

test.each(GLOSSARY.map((t) => [t.term, t] as const))('%s is told in a few lines and shown by a sample that sews', (_, t) => {
  const words = t.says.split(/\s+/).length;
  expect(words).toBeGreaterThan(10);
  expect(words).toBeLessThan(50);
  const sample = samples.find((s) => s.id === t.shows);
  expect(sample).toBeDefined();
  const job = jobOfSample(sample!);
  expect(measurePlan(job, new Planner().plan(job)).stitches).toBeGreaterThan(20);
});

test.each(['density', 'foundation', 'gap', 'lock', 'jump', 'angle', 'column', 'fill'])(
  '‘%s’, as others say it, leads to a word',
  (said) => {
    expect(GLOSSARY.some((t) => `${t.term} ${t.also}`.toLowerCase().includes(said))).toBe(true);
  },
);
