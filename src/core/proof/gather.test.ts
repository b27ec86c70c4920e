import { gathered, type FoundAt } from './gather';

const found = (over: Partial<FoundAt> & Pick<FoundAt, 'pieces'>): FoundAt => ({
  rule: 'seam',
  severity: 'note',
  at: { x: 0, y: 0 },
  measured: 1,
  limit: 2,
  unit: 'mm',
  limitFrom: 'craft',
  message: 'It is too small.',
  ...over,
});
const NAMES: Record<string, string> = { a: 'Sky', b: 'Hill', c: 'Mast', d: 'Sail', e: 'Hull', f: 'Flag' };
const gather = (...list: FoundAt[]) => gathered(list, (id) => NAMES[id]!);

describe('findings of one cause', () => {
  it('are one, with all their places, the worst first', () => {
    const [one, ...none] = gather(
      found({ pieces: ['a', 'b'], at: { x: 1, y: 0 }, spoilsMm2: 1 }),
      found({ pieces: ['c'], at: { x: 2, y: 0 }, spoilsMm2: 5, measured: 3, message: 'Worst.' }),
      found({ pieces: ['a', 'd'], at: { x: 3, y: 0 }, spoilsMm2: 2 }),
    );
    expect(none).toEqual([]);
    expect(one!.places).toEqual([
      { at: { x: 2, y: 0 }, pieces: ['c'] },
      { at: { x: 3, y: 0 }, pieces: ['a', 'd'] },
      { at: { x: 1, y: 0 }, pieces: ['a', 'b'] },
    ]);
    expect(one).toMatchObject({ at: { x: 2, y: 0 }, measured: 3, spoilsMm2: 8, pieces: ['c', 'a', 'd', 'b'] });
    expect(one!.message).toBe('Worst. The same at 2 other places: ‘Sky’.');
  });

  it('are told apart by rule, severity and whether somebody lives with them', () => {
    const list = gather(
      found({ pieces: ['a'] }),
      found({ pieces: ['b'], rule: 'other' }),
      found({ pieces: ['c'], severity: 'warn' }),
      found({ pieces: ['d'], accepted: 'meant' }),
      found({ pieces: ['e'], accepted: 'meant' }),
    );
    expect(list.map((f) => [f.rule, f.severity, f.accepted, f.places.length])).toEqual([
      ['seam', 'warn', undefined, 1],
      ['seam', 'note', undefined, 1],
      ['other', 'note', undefined, 1],
      ['seam', 'note', 'meant', 2],
    ]);
  });

  it('come by what they cost on the cloth, the gravest first', () => {
    const list = gather(
      found({ pieces: ['a'], rule: 'small', spoilsMm2: 2 }),
      found({ pieces: ['b'], rule: 'large', spoilsMm2: 9 }),
      found({ pieces: ['c'], rule: 'warned', severity: 'warn' }),
      found({ pieces: ['d'], rule: 'stops', severity: 'stop' }),
    );
    expect(list.map((f) => f.rule)).toEqual(['stops', 'warned', 'large', 'small']);
  });

  it('name no more pieces than can be read', () => {
    const [one] = gather(...['a', 'b', 'c', 'd', 'e', 'f'].map((id) => found({ pieces: [id] })));
    expect(one!.message).toBe('It is too small. The same at 5 other places: ‘Hill’, ‘Mast’, ‘Sail’ and 2 more.');
    const [two] = gather(found({ pieces: [] }), found({ pieces: [] }));
    expect(two!.message).toBe('It is too small. The same at another place.');
  });
});

describe('the fix of findings of one cause', () => {
  const fix = (id: string, label = 'Mend') => ({ label, pieces: [{ id, settings: { angle: 10 } }] });

  it('mends them all in one step', () => {
    const [one] = gather(found({ pieces: ['a'], fix: fix('a') }), found({ pieces: ['b'], fix: fix('b') }));
    expect(one!.fix).toEqual({ label: 'Mend, at all 2', pieces: [...fix('a').pieces, ...fix('b').pieces] });
    const [named] = gather(found({ pieces: ['a'], fix: fix('a', 'Mend a') }), found({ pieces: ['b'], fix: fix('b', 'Mend b') }));
    expect(named!.fix!.label).toBe('Mend a, and 1 more alike');
  });

  it('is that of the worst when only that has one, and none when it has none', () => {
    const [one] = gather(found({ pieces: ['a'], fix: fix('a'), spoilsMm2: 1 }), found({ pieces: ['b'] }));
    expect(one!.fix).toEqual(fix('a'));
    const [none] = gather(found({ pieces: ['a'], fix: fix('a') }), found({ pieces: ['b'], spoilsMm2: 1 }));
    expect(none!.fix).toBeUndefined();
  });

  it('joins what is said of one piece, orders, corrections and the order of the job', () => {
    const [one] = gather(
      found({ pieces: ['a'], fix: { label: 'x', pieces: [{ id: 'a', settings: { angle: 1 }, without: ['start'] }], sewRightAfter: [{ piece: 'c', after: 'a' }], correct: ['a'], brief: { quantity: 2 } } }),
      found({ pieces: ['a'], fix: { label: 'x', pieces: [{ id: 'a', settings: { angle: 2, spacing: 0.4 }, without: ['end'] }], sewRightAfter: [{ piece: 'd', after: 'c' }], correct: ['a', 'b'], brief: { quantity: 3 } } }),
    ); // prettier-ignore
    expect(one!.fix).toEqual({
      label: 'x, at all 2',
      pieces: [{ id: 'a', settings: { angle: 1, spacing: 0.4 }, patch: {}, without: ['start', 'end'] }],
      sewRightAfter: [{ piece: 'c', after: 'a' }, { piece: 'd', after: 'c' }],
      correct: ['a', 'b'],
      brief: { quantity: 2 },
    }); // prettier-ignore
  });

  it('has other ways only where every place has them', () => {
    const [one] = gather(
      found({ pieces: ['a'], fix: fix('a'), others: [fix('a', 'Turn'), fix('a', 'Split')] }),
      found({ pieces: ['b'], fix: fix('b'), others: [fix('b', 'Split')] }),
    );
    expect(one!.others).toEqual([{ label: 'Split, at all 2', pieces: [...fix('a').pieces, ...fix('b').pieces] }]);
  });
});
