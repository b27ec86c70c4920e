import { lengthText, said } from '@/session/view/unitsStore';
import { useEffect, useState } from 'react';
import { jobAsSewn, measuredGaps } from '@/core/document/sewout';
import type { Sewout } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import { MARK_WORDS } from '@/core/sewouts/words';
import { keptPhoto } from '@/platform/storage/photos';
import { prover } from '@/workers/client';
import type { LaidView } from '@/session/sewouts/sewoutStore';
import { Choice } from '../components/Choice';
import { SliderBar } from '../components/SliderBar';
import { Sign } from '../components/Sign';

type Shown = { first: LaidView; second: LaidView; key: string };

/** Two tests side by side: figures, marks, and both photos under one slider. */
export function CompareTests({ job }: { job: Job }) {
  const all = job.sewouts;
  const [a, setA] = useState(all[all.length - 2]!.id);
  const [b, setB] = useState(all[all.length - 1]!.id);
  const [first, second] = [all.find((s) => s.id === a) ?? all[0]!, all.find((s) => s.id === b) ?? all[all.length - 1]!];
  const options = all.map((s) => ({ value: s.id, name: `Version ${s.version.number}, ${s.on}` }));
  const shown = usePictures(job, first, second);
  return (
    <section className="h-full overflow-auto p-4" aria-label="Compare tests">
      <h1 className="sr-only">Compare tests</h1>
      <div className="mx-auto grid max-w-[1080px] gap-4 lg:grid-cols-[1fr_360px]">
        <div className="min-w-0">
          <div className="mb-2 grid grid-cols-2 gap-3">
            <Choice label="Left" value={first.id} options={options} onChange={setA} />
            <Choice label="Right" value={second.id} options={options} onChange={setB} />
          </div>
          {shown ? <Pictures {...shown} /> : <p role="status">Drawing both tests …</p>}
        </div>
        <Figures first={first} second={second} />
      </div>
    </section>
  );
}

function usePictures(job: Job, first: Sewout, second: Sewout): Shown | null {
  const [shown, setShown] = useState<Shown | null>(null);
  const key = `${first.id} ${second.id} ${first.photos[0]?.file ?? ''} ${second.photos[0]?.file ?? ''}`;
  useEffect(() => {
    let gone = false;
    const picture = async (s: Sewout): Promise<LaidView> => {
      const photo = s.photos.find((p) => p.laying);
      const blob = photo ? await keptPhoto(job.id, photo.file) : null;
      return prover.call('laidPhoto', {
        job: jobAsSewn(job, s),
        setup: s.setup,
        photo: blob,
        laying: (blob && photo?.laying) ?? null,
        mostPx: 1000,
      });
    };
    void (async () => {
      const [one, two] = [await picture(first), await picture(second)];
      if (!gone) setShown({ first: one, second: two, key });
    })().catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [job, first, second, key]);
  return shown?.key === key ? shown : null;
}

function Pictures({ first, second }: Shown) {
  const [at, setAt] = useState(50);
  const of = (v: LaidView): ImageBitmap => v.photo ?? v.foreseen;
  return (
    <div
      className="relative mx-auto overflow-hidden rounded-md border border-ink/40 bg-mat"
      style={{ maxWidth: `calc(${(of(second).width / of(second).height).toFixed(4)} * (100vh - 190px))` }}
      data-testid="compare-tests"
    >
      <Picture of={of(second)} name={second.photo ? 'Photo of the right test' : 'The right test as foreseen'} />
      <div className="absolute inset-0" style={{ clipPath: `inset(0 ${100 - at}% 0 0)` }}>
        <Picture of={of(first)} name={first.photo ? 'Photo of the left test' : 'The left test as foreseen'} />
      </div>
      <SliderBar at={at} label="How much of the left test is shown" onMove={setAt} />
    </div>
  );
}

function Picture({ of, name }: { of: ImageBitmap; name: string }) {
  return (
    <canvas
      role="img"
      aria-label={name}
      className="block w-full"
      ref={(canvas) => {
        if (!canvas) return;
        canvas.width = of.width;
        canvas.height = of.height;
        canvas.getContext('2d')!.drawImage(of, 0, 0);
      }}
    />
  );
}

const sum = (s: Sewout): number => measuredGaps(s).reduce((all, m) => all + Math.max(0, m.mm!), 0);

/** What was seen on both, with what became better. */
function Figures({ first, second }: { first: Sewout; second: Sewout }) {
  const rows: readonly { name: string; of(s: Sewout): number | null; write(v: number): string }[] = [
    { name: 'Widest gap', of: (s) => measuredGaps(s)[0]?.mm ?? 0, write: (v) => lengthText(v, 2) },
    { name: 'All gaps together', of: sum, write: (v) => lengthText(v, 2) },
    { name: 'Gaps', of: (s) => measuredGaps(s).filter((m) => m.mm! > 0.15).length, write: String },
    { name: 'Other marks', of: (s) => s.marks.filter((m) => m.kind !== 'gap').length, write: String },
  ];
  const kinds = [...new Set([...first.marks, ...second.marks].map((m) => m.kind))].filter((k) => k !== 'gap');
  return (
    <div>
      <table className="w-full" data-testid="test-figures">
        <thead>
          <tr className="border-b border-ink text-left">
            <th className="py-1 font-semibold">Seen</th>
            <th className="text-right font-semibold">Left</th>
            <th className="text-right font-semibold">Right</th>
            <th className="w-7">
              <span className="sr-only">Better or worse</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, of, write }) => {
            const [x, y] = [of(first) ?? 0, of(second) ?? 0];
            return (
              <tr key={name} className="border-b border-hairline">
                <th scope="row" className="py-1.5 text-left font-normal">
                  {name}
                </th>
                <td className="figures text-right">{write(x)}</td>
                <td className="figures text-right font-semibold">{write(y)}</td>
                <td className="text-center" aria-label={y < x ? 'better' : y > x ? 'worse' : 'the same'}>
                  {y < x && <Sign of="good" className="text-good" />}
                  {y > x && <Sign of="warn" className="text-warn" />}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {kinds.length > 0 && <p className="mt-3 text-quiet">Also seen: {kinds.map((k) => MARK_WORDS[k].toLowerCase()).join(', ')}.</p>}
      {second.version.note && (
        <>
          <h2 className="mt-4 font-semibold">Changed in version {second.version.number}</h2>
          <p className="mt-1">{said(second.version.note)}.</p>
        </>
      )}
    </div>
  );
}
