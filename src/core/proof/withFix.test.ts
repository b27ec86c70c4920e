import { jobOf, piece } from '../pieces/fixtures';
import { withFix } from './withFix';

const job = jobOf([1, 2, 3, 4].map((k) => piece('fill', { area: `M${k},0 h9 v9 h-9 Z`, name: `P${k}` }, { angle: 10 * k, spacing: 0.4 })));
const ids = (j: typeof job): string[] => j.pieces.map((p) => p.id);

describe('a job with a fix made', () => {
  it('settings are merged, undefined takes one away, fields are set and left out', () => {
    const made = withFix(
      { ...job, pieces: job.pieces.map((p) => ({ ...p, start: [0, 0] as const, end: [1, 1] as const })) },
      {
        label: '',
        pieces: [{ id: 'p2', settings: { angle: undefined, stitchLength: 3 }, patch: { kind: 'satin' }, without: ['start'] }],
      },
    );
    expect(made.pieces[1]).toMatchObject({ id: 'p2', kind: 'satin', settings: { spacing: 0.4, stitchLength: 3 }, end: [1, 1] });
    expect(Object.keys(made.pieces[1]!.settings).sort()).toEqual(['spacing', 'stitchLength']);
    expect(made.pieces[1]).not.toHaveProperty('start');
    expect(made.pieces[0]).toHaveProperty('start');
    expect(made.pieces[2]!.settings).toEqual({ angle: 30, spacing: 0.4 });
  });

  it('pieces move right after others, one after another', () => {
    expect(ids(withFix(job, { label: '', sewRightAfter: [{ piece: 'p4', after: 'p1' }] }))).toEqual(['p1', 'p4', 'p2', 'p3']);
    const moves = [{ piece: 'p3', after: 'p1' }, { piece: 'p4', after: 'p3' }]; // prettier-ignore
    expect(ids(withFix(job, { label: '', sewRightAfter: moves }))).toEqual(['p1', 'p3', 'p4', 'p2']);
    expect(ids(withFix(job, { label: '', sewRightAfter: [{ piece: 'p1', after: 'p3' }] }))).toEqual(['p2', 'p3', 'p1', 'p4']);
    expect(ids(withFix(job, { label: '', sewRightAfter: [{ piece: 'gone', after: 'p1' }] }))).toEqual(ids(job));
  });

  it('another piece comes right after the one that is divided', () => {
    const then = piece('fill', { area: 'M0,0 h1 v1 Z', name: 'Half' });
    const made = withFix(job, { label: '', pieces: [{ id: 'p2', then: { ...then, id: 'p9' } }] });
    expect(ids(made)).toEqual(['p1', 'p2', 'p9', 'p3', 'p4']);
  });

  it('the order changes, the job before stays as it was', () => {
    const made = withFix(job, { label: '', brief: { size: { width: 70 } }, pieces: [{ id: 'p1', settings: { angle: 1 } }] });
    expect(made.brief).toEqual({ ...job.brief, size: { width: 70 } });
    expect(job.pieces[0]!.settings.angle).toBe(10);
    expect(withFix(job, { label: '' })).toEqual(job);
  });
});
