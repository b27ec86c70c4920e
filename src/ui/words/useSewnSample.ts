import { useEffect, useRef, useState } from 'react';
import { engine } from '@/workers/client';

const PIXELS_PER_MM = 16;

/** A sample's picture, sewn when it first comes into view. */
export function useSewnSample<E extends HTMLElement>(id: string) {
  const place = useRef<E>(null);
  const [made, setMade] = useState<{ url: string; stitches: number } | null>(null);
  useEffect(() => {
    let url: string | null = null;
    const control = new AbortController();
    const watch = new IntersectionObserver((seen) => {
      if (!seen.some((s) => s.isIntersecting)) return;
      watch.disconnect();
      engine
        .call('sample', { id, scale: PIXELS_PER_MM }, { signal: control.signal })
        .then(({ png, stitches }) => {
          url = URL.createObjectURL(png);
          setMade({ url, stitches });
        })
        .catch(() => undefined);
    });
    watch.observe(place.current!);
    return () => {
      watch.disconnect();
      control.abort();
      if (url) URL.revokeObjectURL(url);
    };
  }, [id]);
  return { place, made };
}
