'use client';
import { useView } from '@/session/view/viewStore';
import { DashedLine } from '../DashedLine';

/** The box that chooses. */
export function BoxMarks() {
  const box = useView((s) => s.box);
  return box && <DashedLine d={`M${box.from.x},${box.from.y} H${box.to.x} V${box.to.y} H${box.from.x} Z`} fill="rgb(242 194 48 / 0.15)" />;
}
