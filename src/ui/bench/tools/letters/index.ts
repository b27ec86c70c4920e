import { Quote } from 'lucide-react';
import { addLettering } from '@/session/edit/letteringCommands';
import { useView } from '@/session/view/viewStore';
import { askForText } from '../../card/lettering/asking';
import { threadInHand } from '../draw/threadInHand';
import { putAway } from '../inHand';
import type { Tool } from '../tool';

/** What stands on the cloth until something is typed. */
const FIRST = 'Text';

/** Sets a text where the cloth is clicked; what it says is typed on the card. */
export const letters: Tool = {
  name: 'letters',
  word: 'Letter a text',
  key: '"',
  hint: { short: 'Click where the text is to stand', full: 'Click where the middle of the text is to stand; then type on the card' },
  Sign: Quote,
  catchesGuides: true,
  click: ({ at }) => {
    const thread = threadInHand();
    if (!thread) return;
    const id = addLettering(FIRST, at, thread, useView.getState().selected);
    askForText(id);
    useView.setState({ selected: id, also: [] });
    putAway();
  },
};
