import { jobOf, piece } from '@/core/pieces/fixtures';
import type { Job, Piece } from '@/core/document/types';
import { areaOf } from '@/core/geometry/area';
import { dataToRings } from '@/core/geometry/path';
import { boundsOf } from '@/core/geometry/point';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
jest.mock('@/platform/tabs', () => ({ tellTabs: () => undefined }));
jest.mock('@/workers/client', () => {
  const never = { call: () => new Promise(() => undefined), replaced: null };
  return { engine: never, easel: never, prover: never, painter: never };
});
const said: string[] = [];
jest.mock('@/session/notice', () => ({ toast: { error: (words: string) => said.push(words) } }));
jest.useFakeTimers();

import { EMPTY_HISTORY } from '@/session/job/history';
import { useJob } from '@/session/job/jobStore';
import { usePlan, type Planned } from '@/session/derived/planStore';
import { chosenIds, selectAll, useView } from '@/session/view/viewStore';
import { useDrawing } from './draw/drawingStore';
import { useEdge } from './edge';
import { giveUp, putAway, takeTool, useTool } from './inHand';
import { useMeasure } from './measure/measureStore';
import { toolInHand, TOOLS } from './registry';
import type { Spot, Tool } from './tool';

/** Three squares of 10 mm in a row: from 0 to 10, 20 to 30 and 40 to 50. */
const block = (x: number, over: Partial<Piece> = {}): Piece => piece('fill', { area: `M${x},0 h10 v10 h-10 Z`, ...over });
const job = (): Job => useJob.getState().job!;
const at = (x: number, y: number, shift = false): Spot => ({ at: { x, y }, shift, snapMm: 0.5 });
const named = (name: string): Tool => TOOLS.find((t) => t.name === name)!;
const steps = (): string[] => useJob.getState().history.past.map((s) => s.label);
const boxOf = (p: Piece) => boundsOf(dataToRings(p.area!));
let marks = 0;

/** The pointer goes down at the first place, along the others, and up. @returns whether a tool took it up */
function drag(from: Spot, ...to: Spot[]): boolean {
  const taken = toolInHand().drag?.(from, `mark ${++marks}`) ?? null;
  for (const spot of to) taken?.to(spot);
  taken?.drop?.();
  return taken !== null;
}
const click = (...spots: Spot[]): void => spots.forEach((spot) => toolInHand().click?.(spot));

function open(...pieces: Piece[]): void {
  const made = jobOf(pieces);
  useJob.setState({ job: made, status: 'ready', history: EMPTY_HISTORY, mode: 'editing' } as never);
  usePlan.setState({ planned: { outlines: made.pieces.map((p) => p.area ?? '') } as unknown as Planned });
}

beforeEach(() => {
  putAway();
  selectAll([]);
  said.length = 0;
  useView.setState({ showGuides: false, hidden: [], box: null, gesture: null });
  open(block(0), block(20), block(40));
});

test('every tool has a name, a key, a sign and a hint of its own', () => {
  const traits: ((t: Tool) => unknown)[] = [(t) => t.name, (t) => t.key, (t) => t.Sign, (t) => t.hint.short];
  for (const trait of traits) expect(new Set(TOOLS.map(trait)).size).toBe(TOOLS.length);
});

test('Esc gives up what is begun, then puts the tool away, then has nothing to do', () => {
  takeTool(named('run'));
  click(at(0, 0), at(5, 5));
  expect(giveUp()).toBe(true);
  expect([useTool.getState().tool?.name, useDrawing.getState().drawing?.lines]).toEqual(['run', [[]]]);
  expect(giveUp()).toBe(true);
  expect([useTool.getState().tool, useDrawing.getState().drawing]).toEqual([null, null]);
  expect(giveUp()).toBe(false);
});

test('taking the tool that chooses puts the other away: Esc then has nothing to do', () => {
  takeTool(named('guides'));
  takeTool(named('choose'));
  expect(toolInHand().name).toBe('choose');
  expect(giveUp()).toBe(false);
});

test.each(TOOLS.map((t) => [t.name, t]))('%s leaves nothing behind when it is put away in the middle', (_, tool) => {
  takeTool(tool);
  tool.hover?.(at(3, 3));
  tool.drag?.(at(2, 2), 'mark')?.to(at(8, 8));
  if (tool.catchesGuides) click(at(0, 0), at(5, 0));
  putAway();
  expect(useDrawing.getState()).toMatchObject({ drawing: null, pointer: null, preview: null });
  expect(useMeasure.getState()).toEqual({ measured: null, gauge: null });
  expect(useTool.getState().tool).toBeNull();
});

describe('with nothing in hand', () => {
  it('a click chooses the piece on top, with Shift one more, beside all none', () => {
    open(block(0), block(5));
    click(at(7, 5));
    expect(chosenIds()).toEqual(['p2']);
    click(at(2, 5, true));
    expect(chosenIds()).toEqual(['p2', 'p1']);
    click(at(90, 90));
    expect(chosenIds()).toEqual([]);
  });

  it('what is hidden is not there, and a group is chosen as one', () => {
    open(block(0, { group: 'g' }), block(20), block(40, { group: 'g' }));
    click(at(45, 5));
    expect(chosenIds()).toEqual(['p3', 'p1']);
    useView.setState({ hidden: ['p2'] });
    click(at(25, 5));
    expect(chosenIds()).toEqual([]);
  });

  it('a drag with Shift chooses what lies wholly in the box', () => {
    expect(drag(at(-1, -1, true), at(35, 11))).toBe(true);
    expect(chosenIds()).toEqual(['p1', 'p2']);
    expect(useView.getState().box).toBeNull();
    drag(at(-1, -1, true), at(29, 11));
    expect(chosenIds()).toEqual(['p1']);
  });

  it('a drag moves what is chosen in one step, and nothing else', () => {
    selectAll(['p2']);
    expect(drag(at(5, 5), at(6, 6))).toBe(false);
    expect(drag(at(25, 5), at(26, 7), at(28, 9))).toBe(true);
    expect(boxOf(job().pieces[1]!)).toMatchObject({ minX: 23, minY: 4 });
    expect(boxOf(job().pieces[0]!)).toMatchObject({ minX: 0, minY: 0 });
    expect(steps()).toEqual(['Move']);
  });

  it('what is dragged catches on the centre line when it comes near, not when it is far', () => {
    selectAll(['p1']);
    drag(at(5, 5), at(0.4, 5));
    expect(boxOf(job().pieces[0]!).minX).toBeCloseTo(-5);
    open(block(0));
    selectAll(['p1']);
    drag(at(5, 5), at(0.6, 5));
    expect(boxOf(job().pieces[0]!).minX).toBeCloseTo(-4.4);
  });

  it('a drag that is given up moves nothing any more', () => {
    selectAll(['p1']);
    const taken = toolInHand().drag!(at(5, 5), 'given up')!;
    taken.to(at(8, 5));
    useJob.getState().rollBack('given up');
    useView.setState({ gesture: null });
    taken.to(at(20, 5));
    taken.drop!();
    expect(boxOf(job().pieces[0]!).minX).toBe(0);
  });
});

describe('drawing', () => {
  it('a line by its nodes becomes a run of the thread in hand, and is chosen', () => {
    takeTool(named('run'));
    click(at(0, 20), at(10, 20), at(10, 30));
    expect(toolInHand().press!('Backspace')).toBe(true);
    click(at(20, 20));
    toolInHand().press!('Enter');
    expect(job().pieces[3]).toMatchObject({ kind: 'run', line: 'M0,20 L10,20 L20,20', thread: 't1' });
    expect(chosenIds()).toEqual([job().pieces[3]!.id]);
  });

  it('an area closes on its first node and not beside it', () => {
    takeTool(named('area'));
    click(at(0, 20), at(10, 20), at(10, 30), at(0, 20.6));
    expect(job().pieces).toHaveLength(3);
    click(at(0, 20.4));
    expect(job().pieces).toHaveLength(4);
    expect(job().pieces[3]!.kind).toBe('fill');
  });

  it('a satin takes two sides, both in one sense', () => {
    takeTool(named('satin'));
    click(at(0, 20), at(10, 20));
    toolInHand().press!('Enter');
    expect(job().pieces).toHaveLength(3);
    click(at(10, 24), at(0, 24));
    toolInHand().press!('Enter');
    expect(job().pieces[3]!.sides).toEqual(['M0,20 L10,20', 'M0,24 L10,24']);
  });

  it('keys mean nothing to a tool that draws nothing', () => {
    expect(TOOLS.filter((t) => !t.catchesGuides).some((t) => t.press?.('Enter'))).toBe(false);
  });
});

describe('on a piece', () => {
  it('a cut goes through what is chosen, or else through whatever it crosses', () => {
    selectAll(['p1']);
    takeTool(named('cut'));
    drag(at(5, -2), at(5, 12));
    expect(job().pieces).toHaveLength(4);
    expect(
      job()
        .pieces.slice(0, 2)
        .map((p) => areaOf(dataToRings(p.area!))),
    ).toEqual([expect.closeTo(50, 1), expect.closeTo(50, 1)]);
    open(block(0), block(20));
    selectAll([]);
    drag(at(-2, 5), at(40, 5));
    expect(job().pieces).toHaveLength(4);
  });

  it('a cut that crosses nothing says so', () => {
    takeTool(named('cut'));
    drag(at(60, 60), at(70, 70));
    expect([job().pieces.length, said.length]).toEqual([3, 1]);
  });

  it('a drag lays one slant in one step, a second one more', () => {
    selectAll(['p1']);
    takeTool(named('slants'));
    drag(at(1, 1), at(2, 1), at(5, 1), at(9, 1));
    expect(job().pieces[0]!.slants).toEqual(['M1,1 L9,1']);
    expect(steps()).toEqual(['Lay a slant']);
    drag(at(1, 9), at(9, 5, true));
    expect(job().pieces[0]!.slants).toHaveLength(2);
    useJob.getState().undo();
    expect(job().pieces[0]!.slants).toHaveLength(1);
  });

  it('no slant is laid shorter than half a millimetre, nor on an edge', () => {
    selectAll(['p1']);
    takeTool(named('slants'));
    drag(at(1, 1), at(1.4, 1));
    expect(job().pieces[0]!.slants).toBeUndefined();
    open(block(0, { kind: 'border' }));
    selectAll(['p1']);
    expect(drag(at(1, 1), at(8, 1))).toBe(false);
  });

  it('an edge is pulled square to itself by as much as the pointer goes that way; far from it the view moves', () => {
    selectAll(['p1']);
    takeTool(named('edge'));
    useEdge.setState({ falloffMm: 4 });
    expect(drag(at(10, 5), at(11, 7), at(12, 5))).toBe(true);
    expect(boxOf(job().pieces[0]!).maxX).toBeCloseTo(12, 1);
    expect(boxOf(job().pieces[0]!).maxY).toBeCloseTo(10, 1);
    expect(steps()).toHaveLength(1);
    expect(drag(at(60, 5), at(62, 5))).toBe(false);
  });

  it('a double click adds a node to the outline', () => {
    selectAll(['p1']);
    takeTool(named('nodes'));
    toolInHand().doubleClick!(at(5, 0.2));
    expect(dataToRings(job().pieces[0]!.area!)[0]).toHaveLength(5);
    expect(boxOf(job().pieces[0]!)).toMatchObject({ minX: 0, minY: 0, maxX: 10, maxY: 10 });
  });
});

describe('measuring and guides', () => {
  it('tells the width under the pointer, and a line of 15 degrees with Shift', () => {
    takeTool(named('measure'));
    toolInHand().hover!(at(5, 5));
    expect(useMeasure.getState().gauge?.widthMm).toBeCloseTo(10, 0);
    drag(at(0, 0), at(10, 1, true));
    const { to } = useMeasure.getState().measured!;
    expect(to.y).toBeCloseTo(0);
  });

  it('a click lays a level guide, with Shift an upright one', () => {
    takeTool(named('guides'));
    click(at(3, 4), at(5, 6, true));
    expect(job().guides).toMatchObject({ level: [4], upright: [5] });
    expect(useView.getState().showGuides).toBe(true);
  });
});
