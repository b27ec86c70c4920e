import { jobOf, piece } from '@/core/pieces/fixtures';
import type { Job } from '@/core/document/types';
import { JobReceiver, JobSender } from './jobWire';

const job = (n: number): Job => jobOf(Array.from({ length: n }, (_, i) => piece('run', { line: `M0,${i} h10` })));

test('a job arrives as it was sent, and pieces sent before arrive as the objects they were', () => {
  const [sender, receiver] = [new JobSender(), new JobReceiver()];
  const first = job(5);
  const edited = { ...first, name: 'Edited', pieces: first.pieces.with(2, { ...first.pieces[2]!, name: 'other' }).toReversed() };
  const got = receiver.unwire(structuredClone(sender.wire(first)));
  const wired = sender.wire(edited);
  expect(wired.pieces.filter((p) => typeof p !== 'number')).toHaveLength(1);
  const then = receiver.unwire(structuredClone(wired));
  expect(got).toEqual(first);
  expect(then).toEqual(edited);
  expect(then.pieces[0]).toBe(got.pieces[4]);
  expect(then.pieces[2]).not.toBe(got.pieces[2]);
});

test('what was not used for long is forgotten on both sides, and can be sent again', () => {
  const [sender, receiver] = [new JobSender(), new JobReceiver()];
  const [first, large] = [job(10), job(6000)];
  for (const sent of [first, large, first, large, job(3000), first]) {
    expect(receiver.unwire(structuredClone(sender.wire(sent)))).toEqual(sent);
  }
  const held = (receiver as unknown as { held: Map<number, unknown> }).held;
  expect(held.size).toBeLessThan(10_100);
});

test('one piece twice in a job is one object', () => {
  const [sender, receiver] = [new JobSender(), new JobReceiver()];
  const one = job(1);
  const twice = { ...one, pieces: [one.pieces[0]!, one.pieces[0]!] };
  const got = receiver.unwire(structuredClone(sender.wire(twice)));
  expect(got).toEqual(twice);
  expect(got.pieces[1]).toBe(got.pieces[0]);
});

test('designs that lie beside a job arrive whole, and the second time as the objects they were', () => {
  const [sender, receiver] = [new JobSender(), new JobReceiver()];
  const beside = [
    { id: 'a', name: 'Cap', job: job(3) },
    { id: 'b', name: 'Ana', text: { piece: 'p1', words: 'Ana', fit: 'height' as const } },
  ];
  const laid: Job = { ...job(2), floor: { gap: 3, beside, copies: [{ x: 0, y: 0, turn: 0, of: 'a' }] } };
  const first = receiver.unwire(structuredClone(sender.wire(laid)));
  const wired = sender.wire({ ...laid, name: 'Edited' });
  expect(JSON.stringify(wired)).not.toContain('Cap');
  const then = receiver.unwire(structuredClone(wired));
  expect(first).toEqual(laid);
  expect(then.floor).toEqual(laid.floor);
  expect(then.floor!.beside![0]).toBe(first.floor!.beside![0]);
  expect(receiver.unwire(structuredClone(sender.wire({ ...laid, floor: { gap: 3 } }))).floor).toEqual({ gap: 3 });
});
