import { addPiece } from '@/session/edit/commands';
import { setApproach } from '@/session/edit/orderCommands';
import { useView } from '@/session/view/viewStore';
import { putAway } from '../inHand';
import type { Spot, ToolKey } from '../tool';
import { aimed, lineDone, newDrawing, pieceDrawn, placed, tookBack, type DrawKind } from './drawing';
import { NOTHING_DRAWN, useDrawing } from './drawingStore';
import { preview } from './preview';
import { threadInHand } from './threadInHand';

export const begin = (kind: DrawKind): void => useDrawing.setState({ ...NOTHING_DRAWN, drawing: newDrawing(kind) });
export const end = (): void => useDrawing.setState(NOTHING_DRAWN);

export function setNode(spot: Spot): void {
  const { drawing } = useDrawing.getState();
  if (!drawing) return;
  const result = placed(drawing, spot);
  useDrawing.setState({ drawing: result.drawing });
  if (result.closed) finish();
  else preview();
}

export function aim(spot: Spot): void {
  const { drawing } = useDrawing.getState();
  if (!drawing) return;
  useDrawing.setState({ pointer: aimed(drawing, spot) });
  preview();
}

/** The line, or the whole shape, is done; a finished shape becomes a piece and is chosen. */
export function finish(): void {
  const { drawing, wayFor } = useDrawing.getState();
  const thread = threadInHand();
  if (!drawing || !thread) return;
  const { drawing: next, finished } = lineDone(drawing);
  if (!finished) {
    useDrawing.setState({ drawing: next, pointer: null });
    return;
  }
  const piece = pieceDrawn(drawing, thread);
  if (wayFor) {
    if (piece?.line) setApproach(wayFor, { how: 'travel', way: piece.line });
    putAway();
    return;
  }
  if (piece) useView.setState({ selected: addPiece(piece, useView.getState().selected) });
  useDrawing.setState({ drawing: newDrawing(drawing.kind), pointer: null, preview: null });
}

export function press(key: ToolKey): boolean {
  const { drawing } = useDrawing.getState();
  if (!drawing) return false;
  if (key === 'Enter') finish();
  else if (key === 'C') useDrawing.setState({ drawing: { ...drawing, curve: !drawing.curve } });
  else {
    useDrawing.setState({ drawing: tookBack(drawing) });
    preview();
  }
  return true;
}

/** What is begun is given up; the tool stays in hand. */
export function giveUp(): boolean {
  const { drawing } = useDrawing.getState();
  if (!drawing?.lines.some((line) => line.length > 0)) return false;
  begin(drawing.kind);
  return true;
}
