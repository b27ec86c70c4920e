import type { Piece } from '@/core/document/types';
import { useJob } from '@/session/job/jobStore';
import { useView } from '@/session/view/viewStore';

/** The piece that tools work on. */
export const chosenPiece = (): Piece | undefined => useJob.getState().job?.pieces.find((p) => p.id === useView.getState().selected);
