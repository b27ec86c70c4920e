import { Quote } from 'lucide-react';
import { addLettering } from '@/session/edit/letteringCommands';
import { useView } from '@/session/view/viewStore';
import { askForText, usePickedLetter } from '@/session/view/letteringView';
import { threadInHand } from '../draw/threadInHand';
import { putAway } from '../inHand';
import type { Tool } from '../tool';
import { LetterHandles } from './LetterHandles';

/** What stands on the cloth until something is typed. */
const FIRST = 'Text';

/** Sets a text where the cloth is clicked; what it says is typed on the card. */
export const letters: Tool = {
  name: 'letters',
  word: 'Letter a text',
  key: '"',
  hint: {
    short: 'Click: a new text; drag a letter, the corner, the bend',
    full: 'Click where the middle of a text is to stand, then type on the card; of a chosen text drag a letter by its foot, the corner for its size, the end of an arc for its bend',
  },
  label: 'Letters',
  Sign: Quote,
  motion: { hand: 'M50,30 L50,30.1', makes: 'M22,42 V12 H44 M22,26 H38 M54,42 L66,12 L78,42 M58,32 H74' },
  catchesGuides: true,
  lays: true,
  end: () => usePickedLetter.setState({ piece: null, index: null }),
  Marks: ({ piece, scale }) => piece?.lettering && <LetterHandles piece={piece} text={piece.lettering} scale={scale} />,
  click: ({ at }) => {
    const thread = threadInHand();
    if (!thread) return;
    const id = addLettering(FIRST, at, thread, useView.getState().selected);
    askForText(id);
    useView.setState({ selected: id, also: [] });
    putAway();
  },
};
