'use client';
import type { Job, Piece } from '@/core/document/types';
import type { PlannedPiece } from '@/core/plan/plan';
import { freeOrder, setApproach, setStopBefore } from '@/session/edit/orderCommands';
import { setSetting } from '@/session/edit/commands';
import { run } from '../tools/draw';
import { useDrawing } from '../tools/draw/drawingStore';
import { takeTool } from '../tools/inHand';
import { Button } from '../../components/Button';
import { Choice } from '../../components/Choice';
import { Tick } from '../../components/Tick';

type How = 'router' | 'trim' | 'travel';
const HOWS: readonly { value: How; name: string }[] = [
  { value: 'router', name: 'As Cobble finds it' },
  { value: 'trim', name: 'Cut before it' },
  { value: 'travel', name: 'Sew across to it' },
];
const LINK_WORDS = { stitch: 'straight on', travel: 'on a run', trim: 'after a cut' } as const;

/** How the needle comes to the piece and leaves it: cut or travel, a way drawn by hand, a wait, ties. */
export function ApproachControl({ job, piece, planned }: { job: Job; piece: Piece; planned: PlannedPiece | undefined }) {
  const link = planned?.link;
  const drawing = useDrawing((s) => s.wayFor === piece.id);
  const settings = planned?.settings;
  const follows = job.pieces.find((p) => p.id === piece.sewAfter);
  const chosen: How = piece.approach?.how ?? 'router';
  return (
    <details className="border-t border-hairline py-1" data-testid="coming">
      <summary className="cursor-pointer py-1 text-quiet">
        Path to it{link ? `: ${LINK_WORDS[link.how]}` : ''}
        {piece.approach || piece.stopBefore || piece.sewAfter ? ' · by hand' : ''}
      </summary>
      <Choice
        label="The needle comes to it"
        value={chosen}
        options={HOWS}
        onChange={(how) => setApproach(piece.id, how === 'router' ? undefined : { how })}
      />
      {chosen === 'travel' && (
        <Button
          dense
          className="mt-1"
          onClick={() => {
            takeTool(run);
            useDrawing.setState({ wayFor: piece.id });
          }}
        >
          {drawing ? 'Click the way, Enter ends it' : piece.approach?.way ? 'Draw the way again' : 'Draw the way'}
        </Button>
      )}
      <div className="mt-2 flex flex-col gap-1">
        <Tick name="The machine waits before it" on={piece.stopBefore === true} onChange={(on) => setStopBefore(piece.id, on)} />
        <Tick name="Tied at its start" on={settings?.tieIn.value ?? true} onChange={(on) => setSetting([piece.id], 'tieIn', on)} />
        <Tick name="Tied at its end" on={settings?.tieOff.value ?? true} onChange={(on) => setSetting([piece.id], 'tieOff', on)} />
      </div>
      {follows && (
        <p className="mt-1 text-xs">
          Sewn right after ‘{follows.name}’.{' '}
          <button type="button" className="underline decoration-dotted underline-offset-2" onClick={() => freeOrder(piece.id)}>
            Let it go
          </button>
        </p>
      )}
    </details>
  );
}
