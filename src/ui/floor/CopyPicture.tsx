'use client';
import type { CopyPlace } from '@/core/document/types';
import { useFloor, type ShownDesign } from '@/session/derived/floorStore';

/** The design that a copy is of; null while it is not known. */
export const useDesign = (at: CopyPlace): ShownDesign | null => useFloor((s) => s.view?.designs.find((d) => d.id === at.of) ?? null);

/** How a copy lies, as SVG says it. */
export const layingOf = (at: CopyPlace): string => `translate(${at.x} ${at.y}) rotate(${-at.turn}) scale(${at.mirror ? -1 : 1} 1)`;

/** Sides of a design's picture: its box with the cloth round it, mm. */
export const sidesOf = ({ box }: ShownDesign, marginMm: number) => ({
  x: box.minX - marginMm,
  y: box.minY - marginMm,
  width: box.maxX - box.minX + 2 * marginMm,
  height: box.maxY - box.minY + 2 * marginMm,
});

/** One copy in the hoop as it will look. */
export function CopyPicture({ at, opacity }: { at: CopyPlace; opacity?: number }) {
  const design = useDesign(at);
  const marginMm = useFloor((s) => s.view?.marginMm ?? 0);
  if (!design) return null;
  return <image href={design.href} opacity={opacity} transform={layingOf(at)} {...sidesOf(design, marginMm)} preserveAspectRatio="none" />;
}
