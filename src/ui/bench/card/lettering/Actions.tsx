'use client';
import type { Job, Lettering, Piece } from '@/core/document/types';
import { isMonogram } from '@/core/lettering/monogram';
import { addBorder, addShadow, breakIntoLetters, breakIntoPieces, makeMonogram, threadsByTurns } from '@/session/edit/letteringCommands';
import { selectAll } from '@/session/view/viewStore';
import { Button } from '../../../components/Button';
import { takeTool } from '../../tools/inHand';
import { letters } from '../../tools/letters';
import { Names } from './Names';

const choose = (id: string | null): void => void (id && selectAll([id]));

/** What can be done with a text as a whole. */
export function Actions({ job, piece, text }: { job: Job; piece: Piece; text: Lettering }) {
  const { id } = piece;
  return (
    <div className="mt-2 grid grid-cols-2 gap-2">
      <Button className="col-span-2" onClick={() => takeTool(letters)} disabled={piece.locked}>
        Move single letters
      </Button>
      <Button onClick={() => choose(addShadow(id))} disabled={piece.locked}>
        Shadow beneath
      </Button>
      <Button onClick={() => choose(addBorder(id))} disabled={piece.locked}>
        Border round it
      </Button>
      {isMonogram(text) && (
        <Button className="col-span-2" onClick={() => choose(makeMonogram(id))} disabled={piece.locked}>
          A monogram in a frame
        </Button>
      )}
      {job.threads.length > 1 && (
        <>
          <Button onClick={() => threadsByTurns(id, 'letter')} disabled={piece.locked}>
            Threads by letter
          </Button>
          <Button onClick={() => threadsByTurns(id, 'word')} disabled={piece.locked}>
            Threads by word
          </Button>
        </>
      )}
      <Names {...{ job, piece, text }} />
      <Button onClick={() => selectAll(breakIntoLetters(id))} disabled={piece.locked || text.text.length < 2}>
        Into letters
      </Button>
      <Button onClick={() => selectAll(breakIntoPieces(id))} disabled={piece.locked}>
        Into pieces
      </Button>
    </div>
  );
}
