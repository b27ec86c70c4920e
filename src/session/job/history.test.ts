import fc from 'fast-check';
import { EMPTY_HISTORY, record, redoStep, rollBack, undoStep } from './history';

interface Doc {
  items: number[];
}

test('any run of changes is undone to the start and redone to the end', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.integer({ min: 0, max: 5 }), fc.integer()), { maxLength: 20 }), (changes) => {
      const start: Doc = { items: [1, 2, 3] };
      let now = { state: start, history: EMPTY_HISTORY };
      for (const [at, value] of changes) {
        now = record(now.state, now.history, 'change', (d) => {
          if (at < d.items.length) d.items[at] = value;
          else d.items.push(value);
        });
      }
      const end = now.state;
      const steps = now.history.past.length;
      for (let i = 0; i < steps; i++) now = undoStep(now.state, now.history);
      expect(now.state).toEqual(start);
      for (let i = 0; i < steps; i++) now = redoStep(now.state, now.history);
      expect(now.state).toEqual(end);
    }),
    { seed: 2 },
  );
});

test('a change that changes nothing leaves no step, and a new change forgets what was undone', () => {
  const start: Doc = { items: [1] };
  const none = record(start, EMPTY_HISTORY, 'nothing', (d) => void (d.items[0] = 1));
  expect(none.history.past).toHaveLength(0);
  const one = record(start, EMPTY_HISTORY, 'push', (d) => void d.items.push(2));
  const back = undoStep(one.state, one.history);
  expect(back.history.future).toHaveLength(1);
  expect(record(back.state, back.history, 'other', (d) => void d.items.push(3)).history.future).toHaveLength(0);
});

test('the moves of one gesture are one step, and a gesture given up leaves no trace', () => {
  const start = { at: 0 };
  let now = record(start, EMPTY_HISTORY, 'Drag', (d) => void (d.at = 1), 'g1');
  now = record(now.state, now.history, 'Drag', (d) => void (d.at = 2), 'g1');
  expect(now.history.past).toHaveLength(1);
  expect(undoStep(now.state, now.history).state).toEqual({ at: 0 });
  const later = record(now.state, now.history, 'Drag', (d) => void (d.at = 9), 'g2');
  const back = rollBack(later.state, later.history, 'g2');
  expect(back).toMatchObject({ state: { at: 2 }, history: { future: [] } });
  expect(back.history.past).toHaveLength(1);
  expect(rollBack(now.state, now.history, 'g7').state).toBe(now.state);
});
