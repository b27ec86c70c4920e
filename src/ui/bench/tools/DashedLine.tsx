/** A dashed line over a light one, so that it reads on everything. */
export function DashedLine({ d, fill = 'none' }: { d: string; fill?: string }) {
  return (
    <>
      <path d={d} fill="none" stroke="#fff" strokeWidth={3.5} vectorEffect="non-scaling-stroke" />
      <path d={d} fill={fill} stroke="#1d282c" strokeWidth={1.6} strokeDasharray="6 4" vectorEffect="non-scaling-stroke" />
    </>
  );
}
