import { movePiece, removePiece } from '@/store/commands';
import { fit, zoomAt } from '@/store/cameraStore';
import { useJob } from '@/store/jobStore';
import { useView } from '@/store/viewStore';
import { keyCommand } from '../commands/keys';
import { playFrom, stepBy, togglePlay } from './player';

function withSelected(run: (id: string, index: number) => void): () => void {
  return () => {
    const id = useView.getState().selected;
    const index = useJob.getState().job?.pieces.findIndex((p) => p.id === id) ?? -1;
    if (id && index >= 0) run(id, index);
  };
}

function selectNeighbour(step: number): void {
  const pieces = useJob.getState().job?.pieces ?? [];
  const at = pieces.findIndex((p) => p.id === useView.getState().selected);
  const next = pieces[at < 0 ? (step > 0 ? 0 : pieces.length - 1) : Math.min(pieces.length - 1, Math.max(0, at + step))];
  if (next) useView.setState({ selected: next.id });
}

export function fitHoop(): void {
  const hoop = useJob.getState().job?.brief.hoop;
  if (hoop) fit(hoop.width, hoop.height);
}

/** Keys of the Bench, as the help sheet lists them. */
export const BENCH_KEYS = [
  keyCommand('Sew, or stop sewing', 'Space', togglePlay),
  keyCommand('One stitch on', '.', () => stepBy(1)),
  keyCommand('One stitch back', ',', () => stepBy(-1)),
  keyCommand('From the first stitch', 'Home', () => playFrom(0)),
  keyCommand('All sewn', 'End', () => useView.setState({ playhead: null, playing: false })),
  keyCommand('Next piece in the sewing order', 'N', () => selectNeighbour(1)),
  keyCommand('Piece before', 'B', () => selectNeighbour(-1)),
  keyCommand(
    'Sew the piece earlier',
    '[',
    withSelected((id, i) => movePiece(id, i - 1)),
  ),
  keyCommand(
    'Sew the piece later',
    ']',
    withSelected((id, i) => movePiece(id, i + 1)),
  ),
  keyCommand(
    'Remove the piece',
    'Delete',
    withSelected((id) => removePiece(id)),
  ),
  keyCommand('Choose nothing', 'Escape', () => useView.setState({ selected: null })),
  keyCommand('Nearer', '+', () => zoomAt(1.25)),
  keyCommand('Farther', '-', () => zoomAt(0.8)),
  keyCommand('Whole hoop', '0', fitHoop),
  keyCommand('Artwork on or off', 'A', () => useView.setState((s) => ({ showArtwork: !s.showArtwork }))),
  keyCommand('Hoop on or off', 'H', () => useView.setState((s) => ({ showHoop: !s.showHoop }))),
];
