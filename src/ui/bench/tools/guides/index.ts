import { SeparatorHorizontal } from 'lucide-react';
import { addGuide } from '@/session/edit/guides';
import { useView } from '@/session/view/viewStore';
import type { Tool } from '../tool';

export const guides: Tool = {
  name: 'guides',
  word: 'Guides',
  key: '=',
  hint: { short: 'Click: level; Shift-click: upright', full: 'Click: level guide; Shift-click: upright; drag moves, Delete takes away' },
  label: 'Guides',
  Sign: SeparatorHorizontal,
  motion: { hand: 'M10,30 L20,30', makes: 'M4,30 H96' },
  click: ({ at, shift }) => {
    addGuide(shift ? 'upright' : 'level', shift ? at.x : at.y);
    useView.setState({ showGuides: true });
  },
};
