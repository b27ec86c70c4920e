import { isPale } from '@/core/render/raster';

/** A thread's colour with its number, so that colour is never the only sign. */
export function Swatch({ hex, number, title }: { hex: string; number?: number; title?: string }) {
  return (
    <span
      title={title}
      className="figures grid h-[18px] w-[24px] shrink-0 place-items-center rounded-sm border border-edge text-xs leading-none"
      style={{ backgroundColor: hex, color: isPale(hex) ? '#000000' : '#ffffff' }}
    >
      {number}
    </span>
  );
}
