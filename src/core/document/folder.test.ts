import { jobOf, piece } from '../pieces/fixtures';
import { fingerprintOf } from './fingerprint';
import { agreedTo, approvalWords, dayOf, questionState, questionsText, stillApproved, unanswered } from './folder';
import { parseJob } from './schema';
import type { Job } from './types';

const job: Job = jobOf([piece('run', { line: 'M0,0 h10' })]);
const asked = (questions: Job['questions']): Job => ({ ...job, name: 'Harbour cap', questions: questions! });

describe('questions to the customer', () => {
  const all = asked([
    { id: 'a', text: 'Navy or black?' },
    { id: 'b', text: 'How wide?', asked: '2026-03-01' },
    { id: 'c', text: 'Which side?', asked: '2026-03-01', answer: 'Left' },
    { id: 'd', text: '  ' },
    { id: 'e', text: 'Foam?', answer: '   ' },
  ]);

  test('are open, asked or answered; words of blanks are no answer', () => {
    expect(all.questions!.map(questionState)).toEqual(['open', 'asked', 'answered', 'open', 'open']);
    expect(unanswered(all).map((q) => q.id)).toEqual(['a', 'b', 'e']);
    expect(unanswered({})).toEqual([]);
  });

  test('go out as numbered lines, those without an answer only, over the shop’s name', () => {
    const text = questionsText(all, 'Quay Stitch');
    expect(text.split('\n')).toEqual([
      ...['Questions about ‘Harbour cap’', '', '1. Navy or black?', '2. How wide?', '3. Foam?', '', 'Thank you.', 'Quay Stitch', ''],
    ]);
    expect(questionsText(all, '')).not.toContain('Quay');
  });

  test('are kept by the record, and a day that is none is refused', () => {
    expect(parseJob(JSON.parse(JSON.stringify(all))).questions).toEqual(all.questions);
    expect(() => parseJob({ ...job, questions: [{ id: 'a', text: 'x', asked: 'yesterday' }] })).toThrow(/year-month-day/);
  });
});

describe('an approval', () => {
  const approved = (over: Partial<Job> = {}): Job => ({ ...job, approval: { on: '2026-03-02', by: 'Ada', of: agreedTo(job) }, ...over });

  test('holds while pieces, threads and cloth are what they were, whatever else changes', () => {
    expect(stillApproved(job)).toBeNull();
    expect(stillApproved(approved())).toBe(true);
    expect(stillApproved(parseJob(JSON.parse(JSON.stringify(approved()))))).toBe(true);
    expect(stillApproved(approved({ name: 'Other', stage: 'done', brief: { ...job.brief, quantity: 99, notes: 'x' } }))).toBe(true);
    expect(stillApproved(approved({ pieces: [piece('run', { line: 'M0,0 h11' })] }))).toBe(false);
    expect(stillApproved(approved({ threads: job.threads.map((t) => ({ ...t, hex: '#123456' })) }))).toBe(false);
    expect(stillApproved(approved({ brief: { ...job.brief, clothHex: '#000000' } }))).toBe(false);
  });

  test('is said with its day, who and what', () => {
    expect(approvalWords({ on: '2026-03-02', by: 'Ada', note: 'but bluer', of: '' })).toBe('Approved on 2026-03-02 by Ada: but bluer');
    expect(approvalWords({ on: '2026-03-02', by: '', of: '' })).toBe('Approved on 2026-03-02');
  });
});

test('a fingerprint does not hang on the order of fields, and on nothing less than all values', () => {
  const one = fingerprintOf({ a: 1, b: [1, { c: 2, d: 3 }] });
  expect(fingerprintOf({ b: [1, { d: 3, c: 2 }], a: 1 })).toBe(one);
  expect(fingerprintOf({ b: [{ d: 3, c: 2 }, 1], a: 1 })).not.toBe(one);
  expect(fingerprintOf({ b: [1, { d: 3, c: 2.5 }], a: 1 })).not.toBe(one);
});

test('a day is the person’s own, not that of Greenwich', () => expect(dayOf(new Date(2026, 0, 9, 23, 59))).toBe('2026-01-09'));

describe('designs beside a job', () => {
  const other = { ...jobOf([piece('run', { line: 'M0,0 v10' })]), id: 'other', name: 'Other' };
  const laid = (floor: object) => parseJob(JSON.parse(JSON.stringify({ ...job, floor })));

  test('are read like jobs, and never hold designs of their own', () => {
    const nested = { ...other, floor: { beside: [{ id: 'n', name: 'N', job: other }] } };
    const read = laid({ beside: [{ id: 'a', name: 'Other', job: nested }], copies: [{ x: 0, y: 0, turn: 0, of: 'a' }] });
    expect(read.floor!.beside![0]!.job!.floor).toBeUndefined();
    expect(read.floor!.copies).toHaveLength(1);
    expect(() => laid({ beside: [{ id: 'a', name: 'Other', job: { ...other, pieces: [{}] } }] })).toThrow(/cannot be used/);
    expect(() => laid({ beside: [{ id: 'a', name: 'Neither' }] })).toThrow(/cannot be used/);
  });

  test('copies of one that is not there are left out', () => {
    const copies = [
      { x: 0, y: 0, turn: 0 },
      { x: 9, y: 0, turn: 0, of: 'gone' },
    ];
    expect(laid({ copies }).floor).toEqual({ copies: [copies[0]] });
    expect(laid({ copies: [copies[1]] }).floor).toEqual({});
  });
});
