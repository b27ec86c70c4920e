import { InputError } from '../document/errors';
import { jobSettingsSchema } from '../document/schema';
import { EMPTY_LIBRARY, mergedLibrary, NEEDLES, parseLibrary, SCHOOLS, type ShopLibrary } from './library';
import { colourDifference, nearestThreads, THREAD_CHART } from './threads';

const library = (over: Partial<ShopLibrary>): ShopLibrary => ({ ...EMPTY_LIBRARY, ...over });
const refusal = (data: unknown): string => {
  try {
    parseLibrary(data);
    return 'taken';
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
};

describe('a library file', () => {
  it('comes back as it was exported', () => {
    const full = library({
      recipes: [{ id: 'own', name: 'Own piqué', cloth: 'pique', pullComp: 0.3, speed: 700 }],
      threads: [{ code: 'Z1', name: 'Moss', hex: '#445522', weight: 40 }],
      hoops: [{ width: 90, height: 60, shape: 'rect' }],
      needles: [{ size: '60/8', use: 'voile', least: 60, most: 75 }],
      school: { satinLimit: 7, broad: 'fill' },
    });
    expect(parseLibrary(JSON.parse(JSON.stringify(full)))).toEqual(full);
  });

  it('is refused with one sentence when it is none, or holds what no machine does', () => {
    for (const data of [null, 7, [], { hello: 1 }]) expect(refusal(data)).toMatch(/not a Cobble library/);
    expect(refusal({ ...EMPTY_LIBRARY, recipes: [{ id: 'x', name: 'x', cloth: 'mail' }] })).toMatch(/cloth/);
    expect(refusal({ ...EMPTY_LIBRARY, recipes: [{ id: 'x', name: 'x', cloth: 'pique', pullComp: 99 }] })).toMatch(/pullComp/);
    expect(refusal({ ...EMPTY_LIBRARY, hoops: [{ width: 0, height: 40 }] })).toMatch(/width/);
    expect(refusal({ ...EMPTY_LIBRARY, threads: [{ code: 'a', name: 'b', hex: 'red' }] })).toMatch(/hex/);
  });

  it('merged, the newer entry of a name holds and nothing else is lost', () => {
    const moss = { code: 'Z1', name: 'Moss', hex: '#445522', weight: 40 };
    const own = library({ threads: [moss, { ...moss, code: 'Z2' }], school: { satinLimit: 7, broad: 'fill' } });
    const merged = mergedLibrary(own, library({ threads: [{ ...moss, name: 'Old moss' }], school: { satinLimit: 10 } }));
    expect(merged.threads.map((t) => `${t.code} ${t.name}`)).toEqual(['Z1 Old moss', 'Z2 Moss']);
    expect(merged.school).toEqual({ satinLimit: 10, broad: 'fill' });
    expect(mergedLibrary(own, EMPTY_LIBRARY)).toEqual(own);
  });
});

test('every choice of every school is one that a job may have', () => {
  for (const { key, options } of SCHOOLS) {
    expect(new Set(options.map((o) => o.value)).size).toBe(options.length);
    for (const { value } of options) expect(jobSettingsSchema.validate({ [key]: value }).error).toBeUndefined();
  }
});

test('there is a needle for every usual weight of thread', () => {
  for (let weight = 12; weight <= 75; weight++) expect(NEEDLES.some((n) => n.least <= weight && weight <= n.most)).toBe(true);
});

describe('the thread chart', () => {
  it('has codes and names of their own, and colours that can be told apart', () => {
    expect(THREAD_CHART).toHaveLength(560);
    for (const key of ['code', 'name', 'hex'] as const) expect(new Set(THREAD_CHART.map((t) => t[key])).size).toBe(560);
    THREAD_CHART.forEach((t) => expect(t.hex).toMatch(/^#[0-9a-f]{6}$/));
  });

  it('finds the thread whose colour it is, and its neighbours in order', () => {
    for (const thread of THREAD_CHART.filter((_, i) => i % 9 === 0)) {
      const near = nearestThreads(thread.hex);
      expect(near[0]).toEqual({ thread, difference: 0 });
      near.slice(1).forEach((n, i) => expect(n.difference).toBeGreaterThanOrEqual(near[i]!.difference));
    }
    expect(nearestThreads('no colour')).toEqual([]);
  });

  it('tells black from white by 100, and a colour from itself by nothing', () => {
    expect(colourDifference('#000000', '#ffffff')).toBeCloseTo(100, 0);
    expect(colourDifference('#c8102e', '#c8102e')).toBe(0);
  });
});
