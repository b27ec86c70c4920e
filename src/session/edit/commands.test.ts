import { jobOf, piece } from '@/core/pieces/fixtures';
import { movedBy } from '@/core/editing/transform';
import type { ArtAnswer, Job, Piece } from '@/core/document/types';
import type { Survey } from '@/core/artwork/survey';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
jest.mock('@/platform/tabs', () => ({ tellTabs: () => undefined }));
jest.useFakeTimers();

import { replaceArtwork } from './artworkCommands';
import * as commands from './commands';
import { EMPTY_HISTORY } from '../job/history';
import { useJob } from '../job/jobStore';
import * as shapes from './shapeCommands';
import * as order from './orderCommands';

const block = (x: number, over: Partial<Piece> = {}): Piece => piece('fill', { area: `M${x},0 h10 v10 h-10 Z`, ...over });
const open = (...pieces: Piece[]): void => useJob.setState({ job: jobOf(pieces), status: 'ready', history: EMPTY_HISTORY });
const job = (): Job => useJob.getState().job!;
const ids = (): string =>
  job()
    .pieces.map((p) => p.id)
    .join(' ');
const steps = (): string[] => useJob.getState().history.past.map((s) => s.label);
/** Whatever was done is one step, and undone leaves what there was. */
const isOneStep = (before: Job): void => {
  expect(steps()).toHaveLength(1);
  useJob.getState().undo();
  expect(job()).toEqual(before);
};

beforeEach(() => open(block(0), block(20, { thread: 't2' }), block(40)));

describe('settings', () => {
  it('are set on all that are chosen, in one step that says how many', () => {
    const before = job();
    commands.setSetting(['p1', 'p3'], 'spacing', 0.45);
    expect(job().pieces.map((p) => p.settings.spacing)).toEqual([0.45, undefined, 0.45]);
    expect(steps()).toEqual(['Set spacing of 2 pieces']);
    isOneStep(before);
  });

  it('given back, they are gone rather than undefined', () => {
    commands.setSetting(['p1'], 'spacing', 0.45);
    commands.setSetting(['p1'], 'spacing', undefined);
    expect('spacing' in job().pieces[0]!.settings).toBe(false);
  });

  it('are copied to pieces of the same kind only', () => {
    open(block(0), block(20), piece('run', { line: 'M0,0 L5,5' }));
    commands.setSettings(['p1'], { spacing: 0.5, angle: 30 });
    commands.copySettings('p1', ['p2', 'p3']);
    expect(job().pieces[1]!.settings).toEqual({ spacing: 0.5, angle: 30 });
    expect(job().pieces[2]!.settings).toEqual({});
  });
});

describe('threads', () => {
  const brick = { code: 'Z900', name: 'Brick', hex: '#aa3311', weight: 40 };

  it('that the job lacks come with the piece; one of the same code is the same', () => {
    commands.setToThread(['p1'], brick);
    commands.setToThread(['p2'], { ...brick, name: 'Brick again' });
    expect(job().threads.filter((t) => t.code === 'Z900')).toHaveLength(1);
    expect(job().pieces[0]!.thread).toBe(job().pieces[1]!.thread);
    expect(new Set(job().threads.map((t) => t.id)).size).toBe(job().threads.length);
  });

  it('changed for several pieces are one step', () => {
    const before = job();
    commands.setThreads(['p1', 'p3'], 't2');
    expect(new Set(job().pieces.map((p) => p.thread))).toEqual(new Set(['t2']));
    isOneStep(before);
  });
});

describe('pieces in their order', () => {
  it('move to a place among the others, and no farther than first or last', () => {
    commands.movePiece('p3', 0);
    expect(ids()).toBe('p3 p1 p2');
    commands.movePiece('p3', 99);
    expect(ids()).toBe('p1 p2 p3');
    const { history } = useJob.getState();
    commands.movePiece('p3', 2);
    commands.movePiece('nobody', 0);
    expect(useJob.getState().history).toBe(history);
  });

  it('are added after the chosen one, with ids that nobody has', () => {
    expect(commands.addPiece(block(60), 'p1')).toBe('p4');
    expect(ids()).toBe('p1 p4 p2 p3');
    commands.removePieces(['p2']);
    const id = commands.addPiece(block(70), null);
    expect(ids()).toBe(`p1 p4 p3 ${id}`);
    expect(new Set(job().pieces.map((p) => p.id)).size).toBe(4);
  });

  it('follow one another, and may be let go', () => {
    order.sewInSequence(['p3', 'p1']);
    expect(ids()).toBe('p2 p3 p1');
    expect(job().pieces[2]!.sewAfter).toBe('p3');
    order.freeOrder('p1');
    expect(job().pieces[2]!.sewAfter).toBeUndefined();
  });

  it('waits and approaches are set and taken back', () => {
    const before = job();
    order.setStopBefore('p2', true);
    order.setApproach('p2', { how: 'trim' });
    expect(job().pieces[1]).toMatchObject({ stopBefore: true, approach: { how: 'trim' } });
    order.setStopBefore('p2', false);
    order.setApproach('p2', undefined);
    expect(job()).toEqual(before);
  });

  it('a whole colour moves as one step', () => {
    const before = job();
    order.moveColour('p2', -1);
    expect(ids()).toBe('p2 p1 p3');
    isOneStep(before);
  });
});

describe('copies', () => {
  it('come after what they are copied from, moved and named', () => {
    const made = commands.copyPieces(['p1', 'p2'], 'Copy', [movedBy(0, 20), movedBy(0, 40)]);
    expect(made).toHaveLength(4);
    expect(job().pieces.map((p) => p.name)).toEqual(['Piece', 'Piece 2', 'Piece 3', 'Piece', 'Piece 2', 'Piece 3', 'Piece']);
    expect(job().pieces[1]!.area).toContain('20');
  });

  it('that touch grow into one piece', () => {
    open(block(0));
    expect(commands.repeatJoined(['p1'], 'Repeat', [movedBy(9, 0), movedBy(18, 0)])).toEqual(['p1']);
    expect(commands.repeatJoined(['p1'], 'Repeat', [movedBy(0, 50)])).toHaveLength(2);
  });

  it('leave locked pieces where they are', () => {
    shapes.toggleLock(['p1']);
    const { area } = job().pieces[0]!;
    commands.transformPieces(['p1', 'p2'], 'Move', movedBy(5, 0));
    commands.reshape('p1', 'Pull', (p) => void (p.area = 'M0,0 Z'));
    expect(job().pieces[0]!.area).toBe(area);
    expect(job().pieces[1]!.area).not.toBe(block(20).area);
  });
});

describe('shapes', () => {
  it('cut in two keep their place and their settings; a line through nothing says so', () => {
    commands.setSetting(['p2'], 'angle', 12);
    useJob.setState({ history: EMPTY_HISTORY });
    const before = job();
    expect(shapes.cutPieces(['p2'], { x: 25, y: -5 }, { x: 25, y: 15 })).toEqual(['p2', 'p4']);
    expect(ids()).toBe('p1 p2 p4 p3');
    expect(job().pieces[2]).toMatchObject({ name: 'Piece, part 2', settings: { angle: 12 }, thread: 't2' });
    isOneStep(before);
    expect(shapes.cutPieces(['p2'], { x: 0, y: 50 }, { x: 5, y: 50 })).toMatch(/through none/);
    expect(job()).toEqual(before);
  });

  it('joined become the one sewn first; areas and lines do not mix', () => {
    expect(shapes.joinChosen(['p1'])).toMatch(/two or more/);
    expect(shapes.joinChosen(['p3', 'p1'])).toBeNull();
    expect(ids()).toBe('p1 p2');
    open(block(0), piece('run', { line: 'M0,0 L5,5' }));
    expect(shapes.joinChosen(['p1', 'p2'])).toMatch(/Only areas/);
  });

  it('are widened and narrowed, but not to nothing', () => {
    expect(shapes.offsetChosen(['p1'], 1)).toBeNull();
    expect(steps()).toEqual(['Widen by 1 mm']);
    expect(shapes.offsetChosen(['p1'], -20)).toMatch(/Nothing would be left/);
    open(piece('run', { line: 'M0,0 L5,5' }));
    expect(shapes.offsetChosen(['p1'], 1)).toMatch(/with an outline/);
  });

  it('get a border that is sewn right after them', () => {
    const made = shapes.borderOf('p1', 2);
    expect(ids()).toBe(`p1 ${made} p2 p3`);
    expect(job().pieces[1]).toMatchObject({ kind: 'border', width: 2, area: job().pieces[0]!.area, settings: {} });
    expect(shapes.borderOf('nobody', 2)).toBeNull();
  });

  it('in a group are let go again; a lock on some locks all, on all unlocks', () => {
    const before = job();
    shapes.group(['p1', 'p2']);
    expect(job().pieces[0]!.group).toBe(job().pieces[1]!.group);
    expect(job().pieces[2]!.group).toBeUndefined();
    shapes.ungroup(['p1', 'p2']);
    expect(job()).toEqual(before);
    shapes.toggleLock(['p1']);
    shapes.toggleLock(['p1', 'p2']);
    expect(job().pieces.map((p) => p.locked ?? false)).toEqual([true, true, false]);
    shapes.toggleLock(['p1', 'p2']);
    expect(job()).toEqual(before);
  });

  it('from the artwork bring their thread', () => {
    const made = shapes.addPieces([block(0), block(5)], { id: 'x', code: 'Z1', name: 'Moss', hex: '#445522', weight: 40 }, 'Regions');
    expect(made).toEqual(['p4', 'p5']);
    const thread = job().threads.find((t) => t.code === 'Z1')!;
    expect(
      job()
        .pieces.slice(3)
        .map((p) => p.thread),
    ).toEqual([thread.id, thread.id]);
  });
});

describe('the brief', () => {
  it('is changed when it is valid, and otherwise says why not', () => {
    expect(commands.changeBrief('Quantity', { quantity: 24 })).toBeNull();
    expect(job().brief.quantity).toBe(24);
    expect(commands.changeBrief('Quantity', { quantity: -1 })).toMatch(/quantity/);
    expect(job().brief.quantity).toBe(24);
  });
});

describe('artwork', () => {
  const survey = (transform: Survey['transform']): Survey =>
    ({ threads: job().threads, pieces: [block(3)], transform }) as unknown as Survey;
  const lay = (): void => replaceArtwork({ file: 'bird.svg', svg: '<svg/>' });

  it('another drawing leaves the pieces alone; its name is made different when it is taken', () => {
    const before = job().pieces;
    lay();
    useJob.setState({ artwork: { 'bird.svg': '<svg/>' } });
    replaceArtwork({ file: 'bird.svg', svg: '<svg id="other"/>' });
    expect(job().pieces).toEqual(before);
    expect(job().artwork[0]!.file).toBe('bird 2.svg');
  });

  it('pieces know the survey that they were made from', () => {
    lay();
    const made = survey([2, 0, 0, 2, 1, 1]);
    expect(commands.madeFrom(job(), made)).toBe(false);
    commands.takePieces(made);
    expect(commands.madeFrom(job(), made)).toBe(true);
    expect(commands.madeFrom(job(), survey([2.1, 0, 0, 2, 1, 1]))).toBe(false);
    commands.answerPlace([1, 2], 'thin', 'widen', null);
    expect(commands.madeFrom(job(), made)).toBe(false);
  });

  it('a decision is replaced or taken back', () => {
    lay();
    const widen: ArtAnswer = { at: [1, 2], place: 'thin', answer: 'widen' };
    commands.answerPlace([1, 2], 'thin', 'widen', null);
    commands.answerPlace([1, 2], 'thin', 'drop', widen);
    expect(job().artwork[0]!.answers).toHaveLength(1);
    commands.answerPlace([1, 2], 'thin', null, job().artwork[0]!.answers![0]!);
    expect(job().artwork[0]!.answers).toBeUndefined();
  });

  it('turned by whole circles it is not turned', () => {
    lay();
    commands.poseArtwork('Turn', { turn: -90, mirror: true });
    expect(job().artwork[0]).toMatchObject({ turn: 270, mirror: true });
    commands.poseArtwork('Turn', { turn: 720, mirror: false });
    expect(job().artwork[0]).not.toHaveProperty('turn');
    expect(job().artwork[0]).not.toHaveProperty('mirror');
  });
});

describe('pieces of one shape', () => {
  it('are all sewn like one of them, in one step', () => {
    open(block(0, { alike: 's1' }), block(20, { alike: 's1', thread: 't2' }), block(40));
    commands.setSetting(['p1'], 'spacing', 0.5);
    useJob.setState({ history: EMPTY_HISTORY });
    const before = job();
    commands.sewAllAlike('p1');
    expect(job().pieces.map((p) => p.settings.spacing)).toEqual([0.5, 0.5, undefined]);
    expect(job().pieces[1]!.thread).toBe('t1');
    isOneStep(before);
  });
});

describe('what a region is sewn as', () => {
  it('is chosen, chosen otherwise and taken back, each in one step', () => {
    useJob.setState({ job: { ...job(), artwork: [{ id: 'a1', file: 'a.svg', transform: [1, 0, 0, 1, 0, 0], locked: true }] } });
    commands.chooseSewnAs([3, 4], 'fill');
    commands.chooseSewnAs([5, 6], 'drop');
    expect(job().artwork[0]!.sewnAs).toEqual([
      { at: [3, 4], as: 'fill' },
      { at: [5, 6], as: 'drop' },
    ]);
    commands.chooseSewnAs([3, 4], 'run');
    expect(job().artwork[0]!.sewnAs).toContainEqual({ at: [3, 4], as: 'run' });
    expect(job().artwork[0]!.sewnAs).toHaveLength(2);
    commands.chooseSewnAs([3, 4], null);
    commands.chooseSewnAs([5, 6], null);
    expect(job().artwork[0]!.sewnAs).toBeUndefined();
    expect(steps()).toHaveLength(5);
  });
});
