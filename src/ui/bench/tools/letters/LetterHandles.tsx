'use client';
import type { Lettering, Piece } from '@/core/document/types';
import type { Point } from '@/core/geometry/point';
import { textGuides } from '@/core/lettering/guides';
import { layOut } from '@/core/lettering/layout';
import { footOf, heightDragged, movedLetter, radiusDragged, spacingDragged } from '@/core/lettering/moveLetter';
import { extentOf } from '@/core/lettering/textJob';
import { editLettering } from '@/session/edit/letteringCommands';
import { Handle } from '../../cloth/Handle';
import { usePickedLetter } from '@/session/view/letteringView';

const INK = '#1d282c';

/** Handles of a text: each letter at its foot, the size at a corner, the bend of an arc at its end. */
export function LetterHandles({ piece, text, scale }: { piece: Piece; text: Lettering; scale: number }) {
  const picked = usePickedLetter((s) => (s.piece === piece.id ? s.index : null));
  const { letters } = layOut(text);
  const box = extentOf(text);
  const r = 6 / scale;
  if (piece.locked || !box) return null;
  const change = (next: Lettering, mark: string): void => editLettering(piece.id, { letters: undefined, ...next }, mark);
  const corner = { x: box.maxX, y: box.minY };
  return (
    <g data-testid="letter-handles">
      {textGuides(text).map(({ of, line }, i) => (
        <polyline
          key={i}
          data-guide={of}
          points={line.map((p) => `${p.x},${p.y}`).join(' ')}
          fill="none"
          stroke={INK}
          strokeWidth={1 / scale}
          strokeDasharray={of === 'base' ? undefined : `${4 / scale} ${3 / scale}`}
          opacity={0.65}
        />
      ))}
      {letters.map((letter, i) => {
        const foot = footOf(letter);
        const isPicked = picked === letter.index;
        return (
          <Handle
            key={letter.index}
            at={foot}
            label={`Letter ${i + 1}, ‘${letter.char}’`}
            onPick={() => usePickedLetter.setState({ piece: piece.id, index: letter.index })}
            onMove={(to, mark) => change(movedLetter(text, letter.index, to), mark)}
          >
            <path
              d={`M${foot.x},${foot.y - r * 0.2} l${r},${r * 1.2} h${-2 * r} Z`}
              fill={isPicked ? '#f2c230' : '#fff'}
              stroke={INK}
              strokeWidth={1.6 / scale}
            />
          </Handle>
        );
      })}
      {!text.path && (
        <Handle
          at={corner}
          label="Size of the text"
          onMove={(to, mark) => change({ ...text, height: heightDragged(text, corner, to) }, mark)}
        >
          <rect
            x={corner.x - r * 0.8}
            y={corner.y - r * 0.8}
            width={r * 1.6}
            height={r * 1.6}
            fill="#fff"
            stroke={INK}
            strokeWidth={1.8 / scale}
          />
        </Handle>
      )}
      {(text.line ?? 'straight') === 'straight' && letters.length > 1 && (
        <Spread {...{ text, scale, change, end: box.maxX, low: box.maxY }} />
      )}
      {(text.line === 'arc-up' || text.line === 'arc-down') && <Bend {...{ text, scale, change }} />}
    </g>
  );
}

interface SpreadProps {
  text: Lettering;
  scale: number;
  /** Where the text ends on its right, and below, mm. */
  end: number;
  low: number;
  change(next: Lettering, mark: string): void;
}

/** The end of a straight text: dragged along it, letters stand farther apart, or nearer. */
function Spread({ text, scale, end, low, change }: SpreadProps) {
  const turn = ((text.turn ?? 0) * Math.PI) / 180;
  const along = (to: Point): number => (to.x - end) * Math.cos(turn) - (to.y - low) * Math.sin(turn);
  const r = 6 / scale;
  return (
    <Handle
      at={{ x: end, y: low }}
      label="Distance between the letters"
      onMove={(to, mark) => change({ ...text, spacing: spacingDragged(text, along(to)) }, mark)}
    >
      <path
        d={`M${end},${low - r} l${r},${r} l${-r},${r} M${end + r},${low} h${-2.4 * r}`}
        fill="none"
        stroke="#fff"
        strokeWidth={4 / scale}
      />
      <path
        d={`M${end},${low - r} l${r},${r} l${-r},${r} M${end + r},${low} h${-2.4 * r}`}
        fill="none"
        stroke={INK}
        strokeWidth={1.8 / scale}
      />
    </Handle>
  );
}

/** The end of an arc's base line: dragged up or down, it bends more or less. */
function Bend({ text, scale, change }: { text: Lettering; scale: number; change(next: Lettering, mark: string): void }) {
  const { letters } = layOut(text);
  const last = letters[letters.length - 1];
  if (!last) return null;
  const end = last.place({ x: last.glyph.width, y: 0 });
  const [x, y] = text.at ?? [0, 0];
  const own = (p: Point): Point => {
    const a = ((text.turn ?? 0) * Math.PI) / 180;
    return { x: (p.x - x) * Math.cos(a) - (p.y - y) * Math.sin(a), y: (p.x - x) * Math.sin(a) + (p.y - y) * Math.cos(a) };
  };
  const r = 6 / scale;
  return (
    <Handle
      at={end}
      label="Bend of the line"
      onMove={(to, mark) => change({ ...text, radius: radiusDragged(own(end).x, own(to).y) }, mark)}
    >
      <circle cx={end.x} cy={end.y} r={r} fill="#fff" stroke={INK} strokeWidth={1.8 / scale} />
      <path d={`M${end.x},${end.y - 2.2 * r} v${4.4 * r}`} stroke={INK} strokeWidth={1.6 / scale} />
    </Handle>
  );
}
