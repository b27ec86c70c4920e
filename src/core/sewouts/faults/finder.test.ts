import { FAULT_PATHS } from './finder';

test('every physical fault has a path whose steps ask, explain and mend, each once', () => {
  expect(FAULT_PATHS.map((p) => p.kind)).toEqual(expect.arrayContaining(['pucker', 'loop', 'break', 'nest', 'hoop-marks', 'shifted']));
  for (const { steps } of FAULT_PATHS) {
    expect(new Set(steps.map((s) => s.id)).size).toBe(steps.length);
    expect(steps.length).toBeGreaterThanOrEqual(3);
    for (const { ask, why, remedy } of steps) {
      expect(ask.endsWith('?')).toBe(true);
      for (const words of [why, remedy]) expect(words.length).toBeGreaterThan(20);
    }
  }
});

test('whatever is done to the machine itself comes with its caution', () => {
  for (const { steps } of FAULT_PATHS)
    for (const { id, caution } of steps) if (['needle', 'bobbin', 'slack', 'ring', 'steam'].includes(id)) expect(caution).toMatch(/\w{4}/);
});

test('where hooping can be the reason it is asked before the needle, and pucker leads through stabilizer up to three layers', () => {
  const of = (kind: string): string[] => FAULT_PATHS.find((p) => p.kind === kind)!.steps.map((s) => s.id);
  expect(of('pucker').indexOf('stretched')).toBeLessThan(of('pucker').indexOf('needle'));
  expect(FAULT_PATHS[0]!.steps.find((s) => s.id === 'stabilizer')!.remedy).toMatch(/three at most/);
});
