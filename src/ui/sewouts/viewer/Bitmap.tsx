import { useEffect, useRef } from 'react';

/** A picture that a worker made. */
export function Bitmap({ of, name }: { of: ImageBitmap; name: string }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const to = canvas.current;
    if (!to) return;
    to.width = of.width;
    to.height = of.height;
    to.getContext('2d')!.drawImage(of, 0, 0);
  }, [of]);
  return <canvas ref={canvas} role="img" aria-label={name} className="block h-full w-full" />;
}
