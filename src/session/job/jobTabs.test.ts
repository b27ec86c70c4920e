import { jobOf, piece } from '@/core/pieces/fixtures';
import { disk } from '@/platform/storage/fakeForage.fixture';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));

type News = { kind: string; id: string };
const told: string[] = [];
let hear: ((news: News) => void) | null = null;
jest.mock('@/platform/tabs', () => ({
  tellTabs: (kind: string) => told.push(kind),
  onNews: (heard: (news: News) => void) => {
    hear = heard;
    return () => (hear = null);
  },
}));
/** The browser's lock as another tab would see it. */
const lock = { held: null as ((got: boolean) => void) | null, taken: 0, stopped: 0, has: false };
jest.mock('@/platform/lease', () => ({
  leaseOf: (_: string, held: (got: boolean) => void) => {
    lock.held = held;
    return { take: () => lock.taken++, holds: () => lock.has, stop: () => lock.stopped++ };
  },
}));

import { changeKept, keepNewJob, keptJob } from '@/platform/storage/records';
import { listVersions } from '@/platform/storage/versions';
import { useJob } from './jobStore';
import { askToEdit, enterJob } from './jobTabs';

const state = () => useJob.getState();
const pass = (ms: number) => jest.advanceTimersByTimeAsync(ms);
const rename = (name: string): void => state().change('Rename', (j) => void (j.name = name));
const grant = (got: boolean): void => {
  lock.has = got;
  lock.held!(got);
};
let leave: () => void;

beforeEach(async () => {
  jest.useFakeTimers();
  disk.wipe();
  Object.assign(lock, { held: null, taken: 0, stopped: 0, has: false });
  await keepNewJob({ ...jobOf([piece('fill', { area: 'M0,0 h10 v10 h-10 Z' })]), id: 'j', name: 'First' }, {}, 1);
  useJob.setState({ job: null, status: 'idle', conflict: null });
  leave = enterJob('j');
  await pass(1);
  told.length = 0;
});
afterEach(async () => {
  leave();
  await pass(5000);
  jest.useRealTimers();
});

test('the tab that gets the job edits it', async () => {
  grant(true);
  await pass(1000);
  expect(state().role).toBe('editor');
  rename('Mine');
  await pass(3000);
  expect((await keptJob('j'))!.job.name).toBe('Mine');
});

describe('what is changed before it is known which tab edits', () => {
  beforeEach(() => rename('Early'));

  it('waits, and is written once this tab may', async () => {
    await pass(350);
    expect((await keptJob('j'))!.job.name).toBe('First');
    grant(true);
    await pass(2000);
    expect((await keptJob('j'))!.job.name).toBe('Early');
    expect(state()).toMatchObject({ role: 'editor', saved: 'saved' });
  });

  it('gives way, and says so, when another tab does', async () => {
    await pass(3000);
    expect(state()).toMatchObject({ role: 'follower', job: { name: 'First' }, conflict: null });
    expect(state().notice).toMatch(/another tab edits/i);
    expect((await keptJob('j'))!.job.name).toBe('First');
  });
});

describe('a tab that does not get it', () => {
  beforeEach(() => pass(1000));

  it('follows: it shows what the other saves, and changes nothing', async () => {
    expect(state().role).toBe('follower');
    rename('No');
    expect(state().job!.name).toBe('First');
    await changeKept('j', (j) => ({ ...j, name: 'Theirs' }));
    hear!({ kind: 'saved', id: 'j' });
    await pass(1);
    expect(state().job!.name).toBe('Theirs');
    hear!({ kind: 'saved', id: 'another' });
  });

  it('edits when the other is gone, from what that saved last', async () => {
    await changeKept('j', (j) => ({ ...j, name: 'Theirs' }));
    grant(true);
    await pass(1);
    expect(state()).toMatchObject({ role: 'editor', job: { name: 'Theirs' } });
  });

  it('takes it when the other has put its work away', async () => {
    const asked = askToEdit();
    expect([told, lock.taken]).toEqual([['ask'], 0]);
    hear!({ kind: 'yielded', id: 'j' });
    await asked;
    expect(lock.taken).toBe(1);
  });

  it('takes it from one that does not answer', async () => {
    const asked = askToEdit();
    await pass(1500);
    expect(lock.taken).toBe(0);
    await pass(1000);
    await asked;
    expect(lock.taken).toBe(1);
  });
});

describe('a tab that edits', () => {
  beforeEach(() => grant(true));

  it('puts its work away when it is asked for the job, and follows', async () => {
    rename('Last word');
    hear!({ kind: 'ask', id: 'j' });
    await pass(1);
    expect((await keptJob('j'))!.job.name).toBe('Last word');
    expect(told).toContain('yielded');
    grant(false);
    await pass(1);
    expect(state().role).toBe('follower');
  });

  it('that was asked too long ago has lost it: it writes nothing more', async () => {
    rename('Not in time');
    grant(false);
    await changeKept('j', (j) => ({ ...j, name: 'Theirs' }));
    hear!({ kind: 'ask', id: 'j' });
    await pass(10_000);
    expect(state()).toMatchObject({ role: 'follower', conflict: null, job: { name: 'Theirs' } });
    expect((await keptJob('j'))!.job.name).toBe('Theirs');
    expect((await listVersions('j')).map((v) => v.job.name)).toEqual(['Not in time']);
    expect(told).not.toContain('yielded');
  });

  it('goes on when whoever asked is gone', async () => {
    hear!({ kind: 'ask', id: 'j' });
    await pass(1000);
    expect(state().role).toBe('follower');
    await pass(10_000);
    expect(state().role).toBe('editor');
  });

  it('hears that the job was removed', () => {
    hear!({ kind: 'removed', id: 'j' });
    expect(state().conflict).toBe('removed');
  });

  it('gives the job up when it leaves, once everything is saved, but not when it comes back at once', async () => {
    rename('On the way out');
    leave();
    leave = enterJob('j');
    await pass(100);
    expect(lock.stopped).toBe(0);
    leave();
    await pass(100);
    expect(lock.stopped).toBe(1);
    expect((await keptJob('j'))!.job.name).toBe('On the way out');
  });
});
