'use client';
import { said } from '@/session/view/unitsStore';
import { SAMPLE_BOX, type Sample } from '@/core/gallery/samples';
import { useSewnSample } from '../words/useSewnSample';

/** Whether samples are shown enlarged, or as large as they would be on the cloth. */
export type SampleSize = 'large' | 'real';

const WIDTH_MM = SAMPLE_BOX.maxX - SAMPLE_BOX.minX;
const HEIGHT_MM = SAMPLE_BOX.maxY - SAMPLE_BOX.minY;

export function SampleCard({ sample, size }: { sample: Sample; size: SampleSize }) {
  const { place, made } = useSewnSample<HTMLLIElement>(sample.id);
  const real = size === 'real';
  return (
    <li ref={place} className="flex flex-col overflow-hidden rounded-md border border-hairline bg-panel" data-sample={sample.id}>
      <div className="grid h-[190px] place-items-center overflow-hidden bg-[#e9ece8]">
        {made && (
          <img
            src={made.url}
            alt={`${sample.title}, sewn`}
            style={real ? { width: `${WIDTH_MM}mm`, height: `${HEIGHT_MM}mm` } : undefined}
            className={real ? '' : 'h-[190px] w-full object-cover'}
          />
        )}
      </div>
      <div className="flex flex-1 flex-col gap-1 border-t border-hairline p-3">
        <h3 className="text-lg font-semibold">{sample.title}</h3>
        <p className="text-quiet">{said(sample.when)}</p>
        <p className="figures mt-auto pt-1 text-xs">{made ? `${made.stitches} stitches` : 'sewing …'}</p>
      </div>
    </li>
  );
}
