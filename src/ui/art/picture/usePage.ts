import { useEffect, useState } from 'react';
import type { PicturePreparation } from '@/core/document/types';
import { pageLayout, type PageLayout, type PictureSize } from '@/core/tracing/page/prepare';
import { pictureBytes } from '@/core/tracing/pictureText';
import { easel } from '@/workers/client';

/** A page is looked at with so many pixels to its longer side at most. */
const MOST_PX = 1600;

export interface ShownPage {
  layout: PageLayout;
  image: ImageBitmap;
  /** How it is laid out, as text. */
  key: string;
}

interface PageAtWork {
  /** The one before until there is another. */
  page: ShownPage | null;
  /** Whether it is the one that is wanted: places on another mean nothing. */
  isCurrent: boolean;
  problem: string | null;
}

/** A picture as it is laid out. */
export function usePage(text: string, name: string, prepared: PicturePreparation): PageAtWork {
  const [page, setPage] = useState<ShownPage | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [source, setSource] = useState<PictureSize | null>(null);
  const key = JSON.stringify(prepared);
  useEffect(() => {
    const image = new Image();
    image.onload = () => setSource({ width: image.naturalWidth, height: image.naturalHeight });
    image.src = text;
    return () => void (image.onload = null);
  }, [text]);
  useEffect(() => {
    const bytes = pictureBytes(text);
    if (!source || !bytes) return;
    const control = new AbortController();
    const asked = JSON.parse(key) as PicturePreparation;
    easel
      .call('page', { bytes: bytes.buffer, name, prepared: asked, mostPx: MOST_PX }, { signal: control.signal, transfer: [bytes.buffer] })
      .then(({ image }) => {
        setPage({ layout: pageLayout(source, asked), image, key });
        setProblem(null);
      })
      .catch((e: unknown) => !control.signal.aborted && setProblem((e as Error).message));
    return () => control.abort();
  }, [text, name, key, source]);
  return { page, isCurrent: page?.key === key, problem };
}
