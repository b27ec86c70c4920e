import { useEffect, useRef } from 'react';
import type { PicturePlace } from '@/core/document/types';
import type { ShownPage } from './usePage';

/** A page's picture. */
export function PageImage({ page }: { page: ShownPage }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current!;
    element.width = page.image.width;
    element.height = page.image.height;
    element.getContext('2d')!.drawImage(page.image, 0, 0);
  }, [page]);
  return <canvas ref={canvas} className="h-full w-full" />;
}

/** The colour that is seen at a place of a page, #rrggbb; null beside it. */
export function hexAt({ image }: ShownPage, [x, y]: PicturePlace): string | null {
  if (x < 0 || y < 0 || x >= 1 || y >= 1) return null;
  const context = new OffscreenCanvas(1, 1).getContext('2d')!;
  context.drawImage(image, -Math.floor(x * image.width), -Math.floor(y * image.height));
  const { data } = context.getImageData(0, 0, 1, 1);
  return `#${[0, 1, 2].map((k) => data[k]!.toString(16).padStart(2, '0')).join('')}`;
}
