import { useState } from 'react';
import type { Laying, Sewout, SewoutPhoto } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import type { Point } from '@/core/geometry/point';
import { cameraOf, pointsError, type KnownPoint } from '@/core/sewouts/photo/camera';
import { setLaying } from '@/session/edit/sewoutCommands';
import { layPhoto, useSewouts } from '@/session/sewouts/sewoutStore';
import { Button } from '../../components/Button';
import { usePhotoUrl } from '../usePhotoUrl';
import { DrawingNotice } from './DrawingNotice';

interface Props {
  job: Job;
  sewout: Sewout;
  photo: SewoutPhoto;
  onDone(): void;
}

/** Points on the plan and the same on the photo, by turns; or the four corners of the hoop's field on the photo alone. */
export function LayByPoints({ job, sewout, photo, onDone }: Props) {
  const laid = useSewouts((s) => s.laid?.view ?? null);
  const { url } = usePhotoUrl(job.id, photo.file);
  const [hoop, setHoop] = useState<Point[]>([]);
  const [seen, setSeen] = useState<Point[]>([]);
  const [corners, setCorners] = useState(false);
  const { width, height } = sewout.setup.hoop ?? sewout.version.brief.hoop;
  const field = [
    { x: -width / 2, y: -height / 2 },
    { x: width / 2, y: -height / 2 },
    { x: width / 2, y: height / 2 },
    { x: -width / 2, y: height / 2 },
  ];
  const known = corners ? field : hoop;
  const pairs: KnownPoint[] = seen.slice(0, known.length).map((p, i) => ({ photo: p, hoop: known[i]! }));
  const shape = { tall: photo.height / photo.width };
  const camera = pairs.length >= (corners ? 4 : 2) ? cameraOf(pairs, shape) : null;
  const onPlan = !corners && hoop.length === seen.length;
  const laying: Laying | null = camera && {
    ...camera,
    by: 'points',
    ...(pairs.length > 4 ? { errorMm: pointsError(camera, shape, pairs) } : {}),
  };
  const take = (further: boolean): void => {
    if (!laying) return;
    setLaying(sewout.id, photo.id, laying);
    if (further) layPhoto(job, sewout, photo, () => undefined, laying);
    onDone();
  };
  const again = (own: boolean): void => {
    setCorners(own);
    setHoop([]);
    setSeen([]);
  };
  return (
    <div className="flex min-h-0 flex-1 flex-col" data-testid="by-points">
      <div className="flex flex-wrap items-center gap-3 border-b border-hairline bg-panel px-3 py-2">
        <span role="status" className="min-w-[220px] flex-1 font-semibold">
          {corners
            ? seen.length < 4
              ? `Corner ${seen.length + 1} of the hoop’s field (${['upper left', 'upper right', 'lower right', 'lower left'][seen.length]}), on the photo`
              : 'All four corners are known'
            : onPlan
              ? `Point ${hoop.length + 1}: click it on the plan`
              : `Point ${hoop.length}: now the same on the photo`}
        </span>
        <Button dense onClick={() => again(!corners)}>
          {corners ? 'Points of my own' : 'Corners of the hoop’s field'}
        </Button>
        <Button dense disabled={seen.length === 0} onClick={() => again(corners)}>
          Begin anew
        </Button>
        <Button dense onClick={onDone}>
          Cancel
        </Button>
        <Button dense disabled={!laying} onClick={() => take(true)}>
          Lay it, and make it exact
        </Button>
        <Button dense look="primary" disabled={!laying} onClick={() => take(false)}>
          Lay it
        </Button>
      </div>
      <div className={`grid min-h-0 flex-1 gap-2 overflow-auto bg-mat p-3 ${corners ? '' : 'grid-cols-2 max-md:grid-cols-1'}`}>
        {!corners &&
          (laid ? (
            <PlanSide box={laid.box} plan={laid.plan} points={hoop} live={onPlan} onPoint={(p) => setHoop([...hoop, p])} />
          ) : (
            <DrawingNotice />
          ))}
        <Side
          name="Photo"
          tall={shape.tall}
          live={corners ? seen.length < 4 : !onPlan}
          points={seen.map((p) => ({ x: p.x, y: p.y / shape.tall }))}
          onPoint={(p) => setSeen([...seen, { x: p.x, y: p.y * shape.tall }])}
        >
          {url && <img src={url} alt="The photo" className="block h-full w-full" draggable={false} />}
        </Side>
      </div>
    </div>
  );
}

interface SideProps {
  name: string;
  tall: number;
  live: boolean;
  /** In shares of width and height. */
  points: readonly Point[];
  onPoint(p: Point): void;
  children: React.ReactNode;
}

/** A picture on which points are set. */
function Side({ name, tall, live, points, onPoint, children }: SideProps) {
  return (
    <div
      role="img"
      aria-label={name}
      data-side={name}
      className={`relative w-full self-start overflow-hidden rounded-md border-2 bg-white ${live ? 'cursor-crosshair border-tape' : 'border-ink/40'}`}
      style={{ aspectRatio: `1 / ${tall}` }}
      onClick={(e) => {
        const r = e.currentTarget.getBoundingClientRect();
        if (live) onPoint({ x: (e.clientX - r.left) / r.width, y: (e.clientY - r.top) / r.height });
      }}
    >
      {children}
      {points.map((p, i) => (
        <span
          key={i}
          aria-hidden="true"
          className="figures pointer-events-none absolute grid h-5 w-5 -translate-1/2 place-items-center rounded-full border border-ink bg-tape text-xs font-semibold"
          style={{ left: `${100 * p.x}%`, top: `${100 * p.y}%` }}
        >
          {i + 1}
        </span>
      ))}
    </div>
  );
}

function PlanSide({
  box,
  plan,
  points,
  live,
  onPoint,
}: {
  box: { minX: number; minY: number; maxX: number; maxY: number };
  plan: ImageBitmap;
  points: readonly Point[];
  live: boolean;
  onPoint(p: Point): void;
}) {
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  return (
    <Side
      name="Plan"
      tall={h / w}
      live={live}
      points={points.map((p) => ({ x: (p.x - box.minX) / w, y: (p.y - box.minY) / h }))}
      onPoint={(p) => onPoint({ x: box.minX + p.x * w, y: box.minY + p.y * h })}
    >
      <canvas
        className="block h-full w-full"
        ref={(canvas) => {
          if (!canvas) return;
          canvas.width = plan.width;
          canvas.height = plan.height;
          canvas.getContext('2d')!.drawImage(plan, 0, 0);
        }}
      />
    </Side>
  );
}
