import { Stages } from './stage';

const watched = (isTTY: boolean, columns?: number) => {
  let [text, clock] = ['', 0];
  const stages = new Stages({ isTTY, columns, write: (t) => void (text += t) }, () => clock);
  /** What a terminal shows: each line begun anew overwrites the one before. */
  const seen = (): string => text.split('\r\x1b[K').at(-1)!;
  return { stages, seen, all: () => text, pass: (ms: number) => void (clock += ms) };
};

it('tells a stage at once, then its share, and leaves an empty line', () => {
  const { stages, seen, pass } = watched(true);
  const tell = stages.begin('Laying the stitches');
  expect(seen()).toBe('Laying the stitches …');
  pass(200);
  tell(0.426);
  expect(seen()).toBe('Laying the stitches: 43 %');
  stages.end();
  expect(seen()).toBe('');
});

it('does not fill a terminal with every step of quick work', () => {
  const { stages, all, pass } = watched(true);
  const tell = stages.begin('Looking for faults');
  for (let i = 0; i <= 1000; i++) {
    pass(1);
    tell(i / 1000);
  }
  expect(all().split('%').length - 1).toBe(10);
});

it('says nothing where there is no terminal, and clears nothing', () => {
  const { stages, all, pass } = watched(false);
  const tell = stages.begin('Laying the stitches');
  pass(1000);
  tell(0.5);
  stages.end();
  expect(all()).toBe('');
});

it('never breaks into a second line, which nothing could take back', () => {
  const { stages, seen } = watched(true, 20);
  stages.begin(`Reading ${'a'.repeat(300)}.svg`);
  expect(seen()).toHaveLength(19);
});
