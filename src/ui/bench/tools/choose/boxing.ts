import { selectAll, useView } from '@/session/view/viewStore';
import { piecesIn, withGroups } from '../pick';
import type { Drag, Spot } from '../tool';

/** A box that chooses what lies wholly in it. */
export function boxing({ at: from }: Spot): Drag {
  return {
    to: ({ at: to }) => useView.setState({ box: { from, to } }),
    drop: () => {
      const { box } = useView.getState();
      useView.setState({ box: null });
      if (box) selectAll(withGroups(piecesIn(box.from, box.to)));
    },
  };
}
