import type { Finding, Severity } from '@/core/proof/finding';
import { useProof } from '@/session/derived/proofStore';
import { useUnits } from '@/session/view/unitsStore';
import { stepFinding } from './findingSteps';
import { costWords } from './findingWords';

const finding = (rule: string, severity: Severity, places: number, over: Partial<Finding> = {}): Finding => ({
  ...{ rule, severity, pieces: [], message: rule, measured: 0.5, limit: 0.3, unit: 'mm', limitFrom: '', spoilsMm2: 12 },
  at: { x: 0, y: 0 },
  places: Array.from({ length: places }, (_, i) => ({ at: { x: i, y: 0 }, pieces: [] })),
  ...over,
});
const marked = (): string => `${useProof.getState().marked?.rule} ${useProof.getState().markedPlace}`;
const walk = (steps: number, by: 1 | -1 = 1): string[] =>
  Array.from({ length: steps }, () => {
    stepFinding(by);
    return marked();
  });

beforeEach(() => useProof.setState({ findings: [], marked: null, markedPlace: 0, open: false }));

test('a key leads through every place of what was found, the severe first, and round again', () => {
  useProof.setState({ findings: [finding('note', 'note', 1), finding('warn', 'warn', 2), finding('stop', 'stop', 1)] });
  expect(walk(5)).toEqual(['stop 0', 'warn 0', 'warn 1', 'note 0', 'stop 0']);
  expect(walk(2, -1)).toEqual(['note 0', 'warn 1']);
  expect(useProof.getState().open).toBe(true);
});

test('what was accepted is passed over; with nothing left nothing opens', () => {
  useProof.setState({ findings: [finding('a', 'warn', 1, { accepted: 'meant' }), finding('b', 'warn', 1)] });
  expect(walk(2)).toEqual(['b 0', 'b 0']);
  useProof.setState({ findings: [finding('a', 'warn', 1, { accepted: 'meant' })], open: false, marked: null });
  stepFinding(1);
  expect(useProof.getState()).toMatchObject({ open: false, marked: null });
});

test('the cost tells figure, limit and the cloth that is spoiled, in the person’s units', () => {
  expect(costWords(finding('gap', 'warn', 1))).toBe('0.5 mm, limit 0.3 mm, 12 mm² spoiled');
  expect(costWords(finding('ties', 'warn', 1, { unit: '', measured: 4, limit: 2, spoilsMm2: 0 }))).toBe('4, limit 2');
  useUnits.setState({ units: 'in' });
  expect(costWords(finding('gap', 'warn', 1))).toMatch(/^0\.020 in, limit 0\.012 in, 0\.019 in² spoiled$/);
});
