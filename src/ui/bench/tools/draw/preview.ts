import type { Piece } from '@/core/document/types';
import { useJob } from '@/session/job/jobStore';
import { engine } from '@/workers/client';
import { pieceDrawn } from './drawing';
import { useDrawing } from './drawingStore';
import { threadInHand } from './threadInHand';

let asking = false;
let again = false;

/** Asks the engine for the stitches of what is being drawn; of several requests only the last is served. */
export function preview(): void {
  again = true;
  if (!asking) void ask();
}

async function ask(): Promise<void> {
  asking = true;
  while (again) {
    again = false;
    const { drawing, pointer } = useDrawing.getState();
    const job = useJob.getState().job;
    const thread = threadInHand();
    const piece: Piece | null = drawing && thread ? pieceDrawn(drawing, thread, pointer) : null;
    if (!piece || !job) {
      useDrawing.setState({ preview: null });
      continue;
    }
    try {
      const shown = await engine.call('preview', { job: { ...job, pieces: [piece] } });
      if (useDrawing.getState().drawing) useDrawing.setState({ preview: shown });
    } catch {
      useDrawing.setState({ preview: null });
    }
  }
  asking = false;
}
