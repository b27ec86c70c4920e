'use client';
import { useEffect } from 'react';
import type { Job } from '@/core/document/types';
import { photoShown, usePhotoLook } from '@/session/sewouts/photoLookStore';
import { requestLaid, useSewouts, type LaidView } from '@/session/sewouts/sewoutStore';
import { useCamera } from '@/session/view/cameraStore';
import { select } from '@/session/view/viewStore';
import { MarksLayer } from '../../sewouts/viewer/MarksLayer';
import { Bitmap } from '../../sewouts/viewer/Bitmap';
import { useBlink } from '../../sewouts/viewer/useBlink';

/** The photo of a test at its place on the cloth, over the plan as it is now or as it was sewn, with what was seen on it. */
export function PhotoLayer({ job }: { job: Job }) {
  const { photo: chosen, against, way } = usePhotoLook();
  const view = useSewouts((s) => s.laid?.view ?? null);
  const shown = photoShown(job, chosen);
  useEffect(() => {
    if (shown) requestLaid(job, shown.sewout, shown.photo);
  }, [job, shown]);
  const on = useBlink(way === 'blink');
  if (!shown || !view?.photo) return null;
  return (
    <div data-testid="bench-photo" data-photo={shown.photo.id} className="pointer-events-none absolute inset-0">
      {against !== 'now' && (
        <Placed view={view}>
          <Bitmap of={view[against]} name={against === 'plan' ? 'As it was sewn' : 'As it was foreseen'} />
        </Placed>
      )}
      <Parted>
        <Placed view={view} blend={way === 'difference'} hidden={!on}>
          <Bitmap of={view.photo} name={`Photo of version ${shown.sewout.version.number}`} />
        </Placed>
      </Parted>
      <Placed view={view}>
        <MarksLayer
          box={view.box}
          marks={shown.sewout.marks}
          proposed={[]}
          chosen={null}
          tool="look"
          onChoose={(id) => select(shown.sewout.marks.find((m) => m.id === id)?.piece ?? null)}
          onMeasured={() => undefined}
          onPlaced={() => undefined}
        />
      </Placed>
    </div>
  );
}

/** Only what lies left of the bar, while the slider is the way. */
function Parted({ children }: { children: React.ReactNode }) {
  const { way, at } = usePhotoLook();
  if (way !== 'slider') return children;
  return (
    <>
      <div className="absolute inset-0" style={{ clipPath: `inset(0 ${100 - at}% 0 0)` }}>
        {children}
      </div>
      <span aria-hidden="true" className="absolute inset-y-0 w-0.5 bg-ink outline outline-white" style={{ left: `calc(${at}% - 1px)` }} />
    </>
  );
}

/** Where the camera sees a stretch of cloth. */
function Placed({
  view,
  blend = false,
  hidden = false,
  children,
}: {
  view: LaidView;
  blend?: boolean;
  hidden?: boolean;
  children: React.ReactNode;
}) {
  const { camera, width, height } = useCamera();
  const { minX, minY, maxX, maxY } = view.box;
  return (
    <div
      className="absolute"
      style={{
        left: (minX - camera.x) * camera.scale + width / 2,
        top: (minY - camera.y) * camera.scale + height / 2,
        width: (maxX - minX) * camera.scale,
        height: (maxY - minY) * camera.scale,
        ...(blend ? { mixBlendMode: 'difference' } : {}),
        ...(hidden ? { visibility: 'hidden' } : {}),
      }}
    >
      {children}
    </div>
  );
}
