'use client';
import { drawnPath } from '@/core/editing/drawn';
import { formatPath } from '@/core/geometry/path';
import type { MarksProps } from '../tool';
import { useDrawing } from './drawingStore';

/** What is being drawn: nodes set down, the way to the pointer, and the stitches that would come of it. */
export function DrawingMarks({ job, piece, scale }: MarksProps) {
  const { drawing, pointer, preview } = useDrawing();
  const thread = job.threads.find((t) => t.id === (piece ?? job.pieces[job.pieces.length - 1])?.thread)?.hex ?? '#1d282c';
  if (!drawing) return null;
  const r = 4.5 / scale;
  return (
    <g data-testid="drawing" data-preview={preview?.stitches ?? 0}>
      {preview && <path d={preview.path} fill="none" stroke={thread} strokeWidth={1.4} vectorEffect="non-scaling-stroke" opacity={0.9} />}
      {drawing.lines.map((line, k) => {
        const last = k === drawing.lines.length - 1;
        const nodes = last && pointer ? [...line, { at: pointer, curve: drawing.curve }] : line;
        return (
          <g key={k}>
            <path d={formatPath(drawnPath(nodes, false))} fill="none" stroke="#fff" strokeWidth={4} vectorEffect="non-scaling-stroke" />
            <path
              d={formatPath(drawnPath(nodes, false))}
              fill="none"
              stroke="#1d282c"
              strokeWidth={1.6}
              vectorEffect="non-scaling-stroke"
            />
            {line.map((n, i) =>
              n.curve ? (
                <circle key={i} cx={n.at.x} cy={n.at.y} r={r} fill="#fff" stroke="#1d282c" strokeWidth={1.4 / scale} />
              ) : (
                <rect
                  key={i}
                  x={n.at.x - r}
                  y={n.at.y - r}
                  width={2 * r}
                  height={2 * r}
                  fill="#fff"
                  stroke="#1d282c"
                  strokeWidth={1.4 / scale}
                />
              ),
            )}
          </g>
        );
      })}
    </g>
  );
}
