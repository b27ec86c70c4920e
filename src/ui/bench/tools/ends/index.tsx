import { EndsSign } from '../signs';
import { pickPiece } from '../pickPiece';
import type { Tool } from '../tool';
import { EndHandles } from './EndHandles';

export const ends: Tool = {
  name: 'ends',
  word: 'Start and end',
  key: 'E',
  hint: { short: 'Ring: start; bar: end; Delete lets go', full: 'Drag the ring to pin the start, the bar to pin the end; Delete lets go' },
  label: 'Start, end',
  Sign: EndsSign,
  motion: { lies: 'M18,14 H82 V38 H18 Z', hand: 'M50,26 L18,38', makes: 'M50,26 L18,38' },
  click: pickPiece,
  parts: 'Click the start or the end first: Delete lets it go. Esc puts the tool away; then Delete removes the piece.',
  Marks: ({ job, piece, scale }) => piece && <EndHandles job={job} piece={piece} scale={scale} />,
};
