import { EdgeSign } from '../signs';
import { create } from 'zustand';
import { nearestEdge } from '@/core/editing/outlines';
import { pullEdge } from '@/session/edit/shapeCommands';
import { chosenPiece } from '../chosenPiece';
import type { Drag, Spot, Tool } from '../tool';

/** How far to either side of the pointer an edge is pulled along, mm. */
export const useEdge = create<{ falloffMm: number }>(() => ({ falloffMm: 8 }));

const FARTHEST_FROM_EDGE_MM = 6;

/** Pulls the edge of the chosen piece nearest to where the drag began, square to the edge. */
function pulling({ at: from }: Spot, mark: string): Drag | null {
  const piece = chosenPiece();
  if (!piece?.area || piece.locked) return null;
  const { id, area } = piece;
  const edge = nearestEdge(area, from);
  if (!edge || edge.away > FARTHEST_FROM_EDGE_MM) return null;
  return {
    to: ({ at }) => {
      const mm = Math.round(((at.x - from.x) * edge.out.x + (at.y - from.y) * edge.out.y) * 10) / 10;
      pullEdge(id, area, { at: edge.at, mm, falloffMm: useEdge.getState().falloffMm }, mark);
    },
  };
}

export const edge: Tool = {
  name: 'edge',
  word: 'Extend an edge',
  key: 'P',
  hint: {
    short: 'Drag an edge out or in',
    full: 'Drag an edge of the chosen piece outwards or inwards; the card says how far it gives way',
  },
  label: 'Extend',
  Sign: EdgeSign,
  motion: { lies: 'M14,10 H50 V42 H14 Z', hand: 'M50,26 L70,26', makes: 'M50,10 C50,18 70,20 70,26 C70,32 50,34 50,42' },
  drag: pulling,
};
