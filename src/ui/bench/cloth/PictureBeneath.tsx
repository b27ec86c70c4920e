'use client';
import { useEffect, useState } from 'react';
import type { Matrix } from '@/core/geometry/path';
import { pictureBytes } from '@/core/tracing/pictureText';
import { jobPicture, type JobPicture } from '@/session/derived/pictureOnCloth';
import { useJob } from '@/session/job/jobStore';
import { easel } from '@/workers/client';

/** Beneath the threads a picture has so many pixels to its longer side at most. */
const MOST_PX = 2000;

/** The picture that the job began with, where it lies on the cloth: something to draw over. */
export function PictureBeneath({ toCloth }: { toCloth: Matrix }) {
  const job = useJob((s) => s.job);
  const artwork = useJob((s) => s.artwork);
  const picture = jobPicture({ job, artwork });
  const href = useHref(picture);
  if (!picture || !href) return null;
  return (
    <image
      data-testid="picture-beneath"
      href={href}
      width={picture.widthMm}
      height={picture.heightMm}
      preserveAspectRatio="none"
      transform={`matrix(${toCloth.join(' ')})`}
    />
  );
}

/** The picture's own address; where it was laid out before it was traced, one of it as it was laid out. */
function useHref(picture: JobPicture | null): string | null {
  const [laid, setLaid] = useState<{ key: string; href: string } | null>(null);
  const prepared = picture?.from.prepared;
  const key = prepared && `${picture.from.file}|${JSON.stringify(prepared)}`;
  const text = picture?.text;
  useEffect(() => {
    if (!key || !text || !picture) return;
    const bytes = pictureBytes(text);
    if (!bytes) return;
    const control = new AbortController();
    easel
      .call(
        'page',
        { bytes: bytes.buffer, name: picture.from.file, prepared: picture.from.prepared ?? {}, mostPx: MOST_PX },
        { signal: control.signal, transfer: [bytes.buffer] },
      )
      .then(({ image }) => setLaid({ key, href: hrefOf(image) }))
      .catch(() => undefined);
    return () => control.abort();
    // The picture is told by its key and its text.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, text]);
  if (!picture) return null;
  if (!key) return picture.text;
  return laid?.key === key ? laid.href : null;
}

function hrefOf(image: ImageBitmap): string {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [image.width, image.height];
  canvas.getContext('2d')!.drawImage(image, 0, 0);
  return canvas.toDataURL('image/png');
}
