import fc from 'fast-check';
import { EMPTY_HISTORY, record, redoStep, undoStep } from './history';

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
