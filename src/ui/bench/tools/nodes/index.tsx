import { NodesSign } from '../signs';
import { insertNode } from '@/core/editing/nodes';
import { reshape } from '@/session/edit/commands';
import { chosenPiece } from '../chosenPiece';
import { pickPiece } from '../pickPiece';
import type { Spot, Tool } from '../tool';
import { shapePathsOf } from './shape';
import { ShapeHandles } from './ShapeHandles';

/** Adds a node to the chosen piece where its only outline comes nearest. */
function addNodeNear({ at }: Spot): void {
  const piece = chosenPiece();
  if (!piece) return;
  const shapes = shapePathsOf(piece);
  if (shapes.length !== 1) return;
  reshape(piece.id, 'Add node', (p) => shapes[0]!.put(p, insertNode(shapes[0]!.path, at)));
}

export const nodes: Tool = {
  name: 'nodes',
  word: 'Shape: nodes',
  key: 'G',
  hint: {
    short: 'Double click adds a node; C curves; Delete',
    full: 'Drag nodes; double click adds one; C: corner or curve; Delete takes one out; arrows nudge',
  },
  label: 'Nodes',
  Sign: NodesSign,
  motion: { lies: 'M14,40 L40,12 L66,40', hand: 'M40,12 L56,8', makes: 'M14,40 C26,24 40,8 56,8 C70,10 80,24 84,40' },
  click: pickPiece,
  doubleClick: addNodeNear,
  parts: 'Click a node first: Delete takes it out. Esc puts the tool away; then Delete removes the piece.',
  Marks: ({ piece, scale }) => piece && <ShapeHandles piece={piece} scale={scale} />,
};
