'use client';
import { moveNode, nodesOf, removeNode, setNodeKind } from '@/core/editing/nodes';
import type { Piece } from '@/core/document/types';
import { reshape } from '@/session/edit/commands';
import { Handle } from '../../cloth/Handle';
import { shapePathsOf } from './shape';

const SIZE_PX = 9;

/** Nodes of the chosen piece: squares are corners, discs are curves. Drag or nudge; C changes the kind, Delete takes one out. */
export function ShapeHandles({ piece, scale }: { piece: Piece; scale: number }) {
  const r = SIZE_PX / 2 / scale;
  return (
    <g data-testid="nodes">
      {shapePathsOf(piece).flatMap((shape) =>
        nodesOf(shape.path).map((node) => {
          const put = (label: string, path: typeof shape.path, mark?: string): void =>
            reshape(piece.id, label, (p) => path.length > 0 && shape.put(p, path), mark);
          return (
            <Handle
              key={`${shape.key} ${node.sub} ${node.index}`}
              at={node.at}
              label={`${node.kind === 'corner' ? 'Corner' : 'Curve'} node ${node.index + 1} of the ${shape.key}`}
              onMove={(to, mark) => put('Move node', moveNode(shape.path, node.sub, node.index, to), mark)}
              onKey={(e) => {
                if (e.key === 'Delete' || e.key === 'Backspace') put('Take node out', removeNode(shape.path, node.sub, node.index));
                else if (e.key.toLowerCase() === 'c' && !e.ctrlKey && !e.metaKey)
                  put('Change node', setNodeKind(shape.path, node.sub, node.index, node.kind === 'corner' ? 'curve' : 'corner'));
                else return;
                e.preventDefault();
                e.stopPropagation();
              }}
            >
              {node.kind === 'corner' ? (
                <rect
                  x={node.at.x - r}
                  y={node.at.y - r}
                  width={2 * r}
                  height={2 * r}
                  fill="#fff"
                  stroke="#1d282c"
                  strokeWidth={1.5 / scale}
                />
              ) : (
                <circle cx={node.at.x} cy={node.at.y} r={r} fill="#fff" stroke="#1d282c" strokeWidth={1.5 / scale} />
              )}
            </Handle>
          );
        }),
      )}
    </g>
  );
}
