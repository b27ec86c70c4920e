'use client';
import { ArrowLeftToLine, ArrowRightToLine, Trash2, X } from 'lucide-react';
import { useState } from 'react';
import type { Piece } from '@/core/document/types';
import { movePiece, renamePiece } from '@/session/edit/commands';
import { removeSaying } from './removeSaying';
import { select } from '@/session/view/viewStore';
import { SignButton } from '../../components/Button';

/** The piece's name and place in the order, with the ways to remove it and to let it go. */
export function PieceName({ piece, number, of }: { piece: Piece; number: number; of: number }) {
  const [draft, setDraft] = useState(piece.name);
  return (
    <div className="flex items-center gap-1">
      <div className="min-w-0 flex-1">
        <input
          aria-label="Name of the piece"
          value={draft}
          maxLength={200}
          onChange={(e) => setDraft(e.target.value)}
          onBlur={() => {
            if (draft.trim() && draft !== piece.name) renamePiece(piece.id, draft.trim());
          }}
          onKeyDown={(e) => {
            if (e.key === 'Enter') e.currentTarget.blur();
          }}
          className="-ml-1.5 h-7 w-full rounded-md border border-transparent bg-transparent px-1.5 text-lg font-semibold hover:border-hairline focus:bg-white"
        />
        <p className="text-xs text-quiet">
          Sewn <span className="figures">{number}</span> of <span className="figures">{of}</span>
          <SignButton
            className="ml-1 !inline-grid !h-6 !w-6 align-middle"
            name="Sew the piece earlier ([)"
            disabled={number <= 1}
            onClick={() => movePiece(piece.id, number - 2)}
          >
            <ArrowLeftToLine size={14} />
          </SignButton>
          <SignButton
            className="!inline-grid !h-6 !w-6 align-middle"
            name="Sew the piece later (])"
            disabled={number >= of}
            onClick={() => movePiece(piece.id, number)}
          >
            <ArrowRightToLine size={14} />
          </SignButton>
        </p>
      </div>
      <SignButton name="Remove the piece (Delete)" onClick={() => removeSaying([piece.id])}>
        <Trash2 size={16} />
      </SignButton>
      <SignButton name="Back to the order (Esc)" onClick={() => select(null)}>
        <X size={16} />
      </SignButton>
    </div>
  );
}
