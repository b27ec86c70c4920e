import { SlantSign } from '../signs';
import { constrained } from '@/core/editing/drawn';
import { distance } from '@/core/geometry/point';
import { formOf } from '@/core/pieces/registry';
import { reshape } from '@/session/edit/commands';
import { chosenPiece } from '../chosenPiece';
import { pickPiece } from '../pickPiece';
import type { Drag, Spot, Tool } from '../tool';
import { SlantHandles } from './SlantHandles';
import { slantData } from './slantData';

const SHORTEST_MM = 0.5;

/** Lays a new slant across the chosen piece. */
function laying({ at: from }: Spot, mark: string): Drag | null {
  const piece = chosenPiece();
  if (!piece || piece.line || formOf(piece) === 'edge') return null;
  const before = piece.slants ?? [];
  return {
    to: ({ at, shift }) => {
      const to = shift ? constrained(from, at) : at;
      if (distance(from, to) < SHORTEST_MM) return;
      reshape(piece.id, 'Lay a slant', (p) => void (p.slants = [...before, slantData(from, to)]), mark);
    },
  };
}

export const slants: Tool = {
  name: 'slants',
  word: 'Slants',
  key: 'T',
  hint: {
    short: 'Drag across to lay a slant; Delete',
    full: 'Drag across the piece to lay a slant; two or more make rows turn; Delete takes one away',
  },
  label: 'Slants',
  Sign: SlantSign,
  motion: { lies: 'M16,10 H84 V42 H16 Z', hand: 'M34,46 L58,6', makes: 'M34,46 L58,6' },
  drag: laying,
  click: pickPiece,
  parts: 'Click a slant first: Delete takes it away. Esc puts the tool away; then Delete removes the piece.',
  Marks: ({ piece, scale }) => piece && <SlantHandles piece={piece} scale={scale} />,
};
