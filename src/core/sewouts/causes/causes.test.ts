import type { MarkKind, SeenMark, SewoutSetup } from '../../document/sewoutTypes';
import type { Job } from '../../document/types';
import { madeJob, threeFields } from '../fixtures';
import { CAUSES, causesOf, confirmedIn, type RankedCause } from './rank';
import { sewnScene } from './scene';

const square = (x: number, y: number, w: number, h = w): string => `M${x},${y} h${w} v${h} h${-w} Z`;
const column = (x: number, y: number, w: number, h: number): [string, string] => [`M${x},${y} v${h}`, `M${x + w},${y} v${h}`];

/** How a careful hand notes a test on piqué: nothing physical is wrong. */
const CAREFUL: SewoutSetup = {
  stabilizer: 'cutaway',
  layers: 1,
  hooping: 'drum-flat',
  hoopKind: 'screw',
  tension: 'usual',
  needle: '75/11 ballpoint',
  fibre: 'polyester',
  topping: true,
  speed: 750,
};

const ranked = (job: Job, mark: Omit<SeenMark, 'id'>, setup: SewoutSetup = CAREFUL): RankedCause[] => causesOf(sewnScene(job, setup), mark);
const first = (job: Job, mark: Omit<SeenMark, 'id'>, setup: SewoutSetup = CAREFUL): string => ranked(job, mark, setup)[0]!.id;

/** A field of level rows with its rim sewn `between` other pieces later. */
const rimmed = (between: number, pullComp?: number): Job =>
  madeJob([
    { id: 'field', kind: 'fill', area: square(-40, -20, 40), settings: { angle: 0, ...(pullComp === undefined ? {} : { pullComp }) } },
    ...Array.from({ length: between }, (_, i) => ({
      id: `other${i}`,
      kind: 'fill' as const,
      area: square(12 + 9 * (i % 4), -40 + 12 * i, 8),
    })),
    { id: 'rim', kind: 'border', thread: 't2', area: square(-42.6, -22.6, 45.2), width: 3.4 },
  ]);

describe('the first cause of each fault of the usual table', () => {
  it.each<[string, () => Job, Omit<SeenMark, 'id'>, SewoutSetup | undefined, string]>([
    [
      'cloth between fill and outline, long rows',
      () => rimmed(0, 0.05),
      { kind: 'gap', piece: 'field', against: 'rim', at: [-40, 0], mm: 0.8 },
      undefined,
      'pull',
    ],
    [
      'the outline sewn long after',
      () => rimmed(7),
      { kind: 'gap', piece: 'field', against: 'rim', at: [-20, -20], mm: 0.5 },
      undefined,
      'outline-late',
    ],
    [
      'weak hooping',
      () => rimmed(0),
      { kind: 'gap', piece: 'field', against: 'rim', at: [-20, -20], mm: 1.2 },
      { ...CAREFUL, hooping: 'loose' },
      'loose-hooping',
    ],
    [
      'pucker on stabilizer that is too light',
      () => rimmed(0),
      { kind: 'pucker' },
      { ...CAREFUL, stabilizer: 'soluble', layers: 1 },
      'stabilizer-light',
    ],
    [
      'pucker of cloth stretched in the hoop',
      () => rimmed(0),
      { kind: 'pucker' },
      { ...CAREFUL, hooping: 'stretched' },
      'stretched-in-hoop',
    ],
    ['pucker of tension and speed', () => rimmed(0), { kind: 'pucker' }, { ...CAREFUL, tension: 'tight', speed: 1000 }, 'tension-tight'],
    [
      'pucker of too much thread',
      () =>
        madeJob(
          [1, 2, 3, 4].map((k) => ({
            id: `p${k}`,
            kind: 'fill' as const,
            area: square(-25, -25, 50),
            settings: { angle: 40 * k, spacing: 0.3 },
          })),
        ),
      { kind: 'pucker' },
      undefined,
      'too-dense',
    ],
    [
      'stiff: full cover on full cover',
      () =>
        madeJob([1, 2, 3, 4].map((k) => ({ id: `p${k}`, kind: 'fill' as const, area: square(-10, -10, 20), settings: { angle: 45 * k } }))),
      { kind: 'stiff', at: [0, 0] },
      undefined,
      'cover-on-cover',
    ],
    [
      'ragged: rows along those beneath',
      () =>
        madeJob([
          { id: 'ground', kind: 'fill', area: square(-20, -20, 40), settings: { angle: 10 } },
          { id: 'detail', kind: 'fill', thread: 't2', area: square(-6, -6, 12), settings: { angle: 12 } },
        ]),
      { kind: 'ragged', piece: 'detail' },
      undefined,
      'along-below',
    ],
    [
      'ragged: no edge run',
      () => madeJob([{ id: 'bar', kind: 'satin', sides: column(0, -15, 5, 30), settings: { underlay: [{ kind: 'zigzag' }] } }]),
      { kind: 'ragged', piece: 'bar' },
      undefined,
      'no-edge-run',
    ],
    [
      'detail vanished: narrower than the texture',
      () => madeJob([{ id: 'hair', kind: 'satin', sides: column(0, -10, 0.6, 20) }]),
      { kind: 'lost', piece: 'hair' },
      undefined,
      'too-thin',
    ],
    [
      'detail vanished: no topping on pile',
      () => ({ ...madeJob([{ id: 'bar', kind: 'satin', sides: column(0, -10, 3, 20) }], { cloth: 'terry' }) }),
      { kind: 'lost', piece: 'bar' },
      { ...CAREFUL, topping: false, needle: '80/12 ballpoint', speed: 700 },
      'no-topping',
    ],
    [
      'detail vanished: short on compensation',
      () => madeJob([{ id: 'bar', kind: 'satin', sides: column(0, -10, 2.2, 20), settings: { pullComp: 0 } }]),
      { kind: 'lost', piece: 'bar' },
      undefined,
      'compensation-short',
    ],
    [
      'round letters look short',
      () =>
        madeJob([
          { id: 'i', kind: 'fill', area: square(-22, -8, 5, 16), settings: { angle: 0 } },
          { id: 'o', kind: 'fill', area: 'M-9,0 a6,6.6 0 1 0 12,0 a6,6.6 0 1 0 -12,0 Z', settings: { angle: 90 } },
          { id: 'l', kind: 'fill', area: square(10, -8, 5, 16), settings: { angle: 0 } },
        ]),
      { kind: 'height', piece: 'o', mm: 13 },
      undefined,
      'no-overshoot',
    ],
    [
      'loops at thin letters',
      () => madeJob([{ id: 'stem', kind: 'satin', sides: column(0, -4, 1.2, 8), settings: { underlay: [{ kind: 'zigzag' }] } }]),
      { kind: 'loop', piece: 'stem' },
      undefined,
      'underlay-in-thin-column',
    ],
    ['loops of loose tension', () => rimmed(0), { kind: 'loop', piece: 'field' }, { ...CAREFUL, tension: 'loose' }, 'tension-loose'],
    [
      'lump at a point',
      () =>
        madeJob(
          [0, 1, 2, 3, 4].map((k) => ({
            id: `r${k}`,
            kind: 'run' as const,
            thread: k % 2 ? 't1' : 't2',
            line: `M0,0 L${[12, 4, -9, -9, 4][k]},${[0, 11, 7, -7, -11][k]}`,
            start: [0, 0] as [number, number],
            settings: { tieIn: true, tieOff: true },
          })),
        ),
      { kind: 'lump', at: [0, 0] },
      undefined,
      'ties-piled',
    ],
    [
      'thread breaks over too many layers',
      () =>
        madeJob([1, 2, 3, 4].map((k) => ({ id: `p${k}`, kind: 'fill' as const, area: square(-10, -10, 20), settings: { angle: 45 * k } }))),
      { kind: 'break', at: [0, 0] },
      undefined,
      'cover-on-cover',
    ],
    [
      'nests of stitches that are too short',
      () => madeJob([{ id: 'dense', kind: 'run', line: 'M0,0 h20', settings: { stitchLength: 0.2 } }]),
      { kind: 'nest', piece: 'dense' },
      undefined,
      'short-stitches',
    ],
    [
      'split satin looks thin',
      () => madeJob([{ id: 'wide', kind: 'satin', sides: column(0, -15, 8.5, 30), settings: { satinLimit: 5, overLimit: 'split' } }]),
      { kind: 'show-through', piece: 'wide' },
      undefined,
      'split-rows',
    ],
    [
      'gaps at joints',
      () =>
        madeJob([
          { id: 'left', kind: 'fill', area: square(-20, -10, 20), settings: { angle: 90 } },
          { id: 'right', kind: 'fill', thread: 't2', area: square(0, -10, 20), settings: { angle: 90, pullComp: 0 } },
        ]),
      { kind: 'gap', piece: 'left', against: 'right', at: [0, 0], mm: 0.3 },
      undefined,
      'no-overlap',
    ],
    [
      'unravels after washing',
      () => ({ ...madeJob([{ id: 'bar', kind: 'satin', sides: column(0, -10, 3, 20), settings: { tieIn: false, tieOff: false } }]) }),
      { kind: 'unravelled', piece: 'bar' },
      undefined,
      'no-ties',
    ],
    [
      'outlines fit the sample only',
      () =>
        madeJob([
          { id: 'field', kind: 'fill', area: square(-15, -15, 30) },
          { id: 'rim', kind: 'border', thread: 't2', area: square(-14.2, -14.4, 30), width: 2 },
        ]),
      { kind: 'shifted', piece: 'rim' },
      undefined,
      'outline-nudged',
    ],
    [
      'foam shows',
      () => ({
        ...madeJob([{ id: 'bar', kind: 'satin', sides: column(0, -15, 6, 30), settings: { foam: 3, spacing: 0.4, ends: 'capped' } }], {
          cloth: 'cap',
        }),
      }),
      { kind: 'show-through', piece: 'bar' },
      undefined,
      'cover-open',
    ],
    ['a ring is pressed into the cloth', () => rimmed(0), { kind: 'hoop-marks' }, undefined, 'ring-tight'],
    ['bobbin thread shows on top', () => rimmed(0), { kind: 'bobbin' }, { ...CAREFUL, tension: 'tight' }, 'tension-tight'],
    ['the colour is wrong', () => rimmed(0), { kind: 'colour', piece: 'field' }, undefined, 'wrong-thread'],
  ])('%s', (_, job, mark, setup, cause) => {
    expect(first(job(), mark, setup)).toBe(cause);
  });
});

describe('a plan whose numbers are sound', () => {
  it.each<[MarkKind]>([['pucker'], ['gap'], ['shifted'], ['size']])(
    'on the wrong stabilizer: a %s is put down to the stabilizer',
    (kind) => {
      const mark = {
        kind,
        ...(kind === 'gap'
          ? { piece: 'field', against: 'rim', at: [-20, -20] as [number, number], mm: 1 }
          : kind === 'size'
            ? { axis: 'x' as const, mm: 43 }
            : {}),
      };
      const [top] = ranked(rimmed(0), mark, { ...CAREFUL, stabilizer: 'soluble' });
      expect(top!.id).toBe('stabilizer-light');
      expect(top!.pro.join()).toMatch(/soluble.*holds \d+ % of what piqué/);
      expect(top!.remedies[0]!.label).toMatch(/cutaway/);
    },
  );

  it('told by the brief alone, as a worksheet would have it', () => {
    const job = rimmed(0);
    const light = { ...job, brief: { ...job.brief, recipe: { id: 'pique', name: 'Piqué', stabilizer: 'soluble, 1' } } };
    expect(first(light, { kind: 'pucker' }, {})).toBe('stabilizer-light');
  });
});

describe('probabilities', () => {
  it('rule out rows along those beneath where nothing lies beneath', () => {
    const alone = madeJob([{ id: 'bar', kind: 'satin', sides: column(0, -15, 3, 30) }]);
    const along = ranked(alone, { kind: 'ragged', piece: 'bar' }).find((c) => c.id === 'along-below')!;
    expect(along.probability).toBeLessThan(0.02);
    expect(along.con).toEqual(['Nothing is sewn beneath it.']);
  });

  it('are of every cause that can be, add up to one and come with reasons', () => {
    for (const kind of new Set(CAUSES.flatMap((c) => Object.keys(c.faults) as MarkKind[]))) {
      const all = ranked(rimmed(0), { kind, piece: 'field' }, {});
      expect(all.length).toBe(CAUSES.filter((c) => (c.faults[kind] ?? 0) > 0).length);
      expect(all.reduce((sum, c) => sum + c.probability, 0)).toBeCloseTo(1, 9);
      for (const c of all) expect(c.probability).toBeGreaterThan(0);
    }
  });

  it('follow what the shop confirmed', () => {
    const job = threeFields();
    const mark = { kind: 'bobbin' as const };
    const of = (all: readonly RankedCause[], id: string): number => all.find((c) => c.id === id)!.probability;
    const scene = sewnScene(job, {});
    const before = causesOf(scene, mark);
    const confirmed = confirmedIn(Array.from({ length: 12 }, () => ({ kind: 'bobbin' as const, cause: 'bobbin-loose' })));
    const after = causesOf(scene, mark, confirmed);
    expect(before[0]!.id).toBe('tension-tight');
    expect(after[0]!.id).toBe('bobbin-loose');
    expect(of(after, 'bobbin-loose')).toBeGreaterThan(of(before, 'bobbin-loose') + 0.2);
  });
});
