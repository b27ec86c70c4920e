import { useMemo, useState } from 'react';
import type { Job } from '@/core/document/types';
import { shapeFigures } from '@/core/tracing/shapesSvg';
import { jobPicture } from '@/session/derived/pictureOnCloth';
import { counted } from '@/core/units/count';
import { Button } from '../../components/Button';
import { resolutionWords } from './pictureWords';
import { PictureDesk } from './PictureDesk';
import { TraceProgress } from './TraceProgress';
import { useTracing, type PictureAtWork } from './useTracing';

interface Props {
  job: Job;
  artwork: Record<string, string>;
  /** Finished width, mm. */
  widthMm: number;
}

/** The picture that the shapes were traced of, what was found in it, and the way to its desk; nothing for drawings. */
export function PictureCard({ job, artwork, widthMm }: Props) {
  const found = jobPicture({ job, artwork });
  return found && <Card picture={found.from} text={found.text} svg={found.svg} widthMm={widthMm} />;
}

function Card(at: PictureAtWork) {
  const [acrossPx, setAcrossPx] = useState<number | null>(null);
  const [open, setOpen] = useState(false);
  const tracing = useTracing(at);
  const figures = useMemo(() => shapeFigures(at.svg), [at.svg]);
  return (
    <section aria-label="Picture" className="border-b border-hairline px-4 py-3" data-testid="picture-card">
      <div className="flex gap-4">
        <img
          src={at.text}
          alt="The picture as it came"
          className="h-[84px] w-[84px] shrink-0 rounded-sm border border-hairline bg-white object-contain"
          onLoad={(e) => setAcrossPx(e.currentTarget.naturalWidth)}
        />
        <div className="min-w-0 flex-1">
          <p className="figures leading-tight font-semibold" data-testid="card-figures">
            {counted(figures.colours.length, 'colour')}, {counted(figures.areas, 'area')}, {counted(figures.lines, 'line')}
          </p>
          <p className="text-quiet">{acrossPx !== null && figures.widthMm > 0 && resolutionWords(figures.widthMm / acrossPx)}</p>
          <Button dense className="mt-2" onClick={() => setOpen(true)}>
            Work on the picture …
          </Button>
        </div>
      </div>
      {!open && <TraceProgress tracing={tracing} />}
      {open && <PictureDesk at={at} tracing={tracing} onClose={() => setOpen(false)} />}
    </section>
  );
}
