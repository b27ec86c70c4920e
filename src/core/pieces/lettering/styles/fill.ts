import type { Piece } from '../../../document/types';
import { areaOf, components, unite } from '../../../geometry/area';
import { resample } from '../../../geometry/line';
import { ringsToData } from '../../../geometry/path';
import type { Area } from '../../../geometry/point';
import type { StitchBuffer } from '../../../stitches/buffer';
import type { StartEnd } from '../../../stitches/startEnd';
import { fillKind, type FillShape } from '../../fill';
import { fillSettings } from '../../fill/settings';
import type { PieceKind, PreparedShape } from '../../kind';
import type { ResolvedSettings } from '../../resolve';
import { medianWidth } from '../../satin/track';
import { rowsSentence } from '../../sentence';
import { placedLetters, type LetterPath } from '../placed';
import { endsOf, joinsOf, sewParts, type Place, type SewnPart } from '../sew';
import { joiningFor } from '../settings';

interface FilledPart extends Omit<SewnPart, 'sew'> {
  shape: FillShape;
}

interface FilledShape extends PreparedShape {
  parts: FilledPart[];
}

/** Rows of all letters run this way from their base line, degrees: across stems and bars alike. */
const ROWS_DEG = 45;
const STEP_MM = 0.8;
/** Crumbs of an outline are not sewn, mm². */
const CRUMB_MM2 = 0.1;

/** What a letter paints, part by part, small ones first: a dot lies on the way to its stem. */
const partsOf = ({ letter }: LetterPath): Area[] =>
  components(letter.painted)
    .filter((part) => areaOf(part) > CRUMB_MM2)
    .sort((a, b) => areaOf(a) - areaOf(b));

const filled = (part: Area): Piece => ({ id: '', name: '', kind: 'fill', thread: '', area: ringsToData(part), settings: {} });

function prepare(piece: Piece): FilledShape | null {
  const letters = placedLetters(piece);
  const parts = letters.flatMap(({ heightOf, thread, cut, ...letter }) =>
    partsOf({ heightOf, ...letter }).flatMap((painted, k): FilledPart[] => {
      const shape = fillKind.prepare(filled(painted));
      const places = painted
        .flatMap((ring) => resample([...ring, ring[0]!], STEP_MM))
        .map((p): Place => ({ p, high: Math.abs(heightOf(p)) }));
      return shape ? [{ painted, thread, ...(k === 0 ? { cut } : {}), places, shape }] : [];
    }),
  );
  if (parts.length === 0) return null;
  const painted = unite(...parts.map((p) => p.painted));
  return {
    facts: {
      widthMm: medianWidth(letters.flatMap((l) => l.letter.columns.map((c) => c.track))),
      angleDeg: (((ROWS_DEG + (piece.lettering?.turn ?? 0)) % 180) + 180) % 180,
    },
    cover: painted,
    painted,
    areaMm2: areaOf(painted),
    ends: [endsOf(parts, letters)],
    parts,
  };
}

function stitch(out: StitchBuffer, shape: FilledShape, set: ResolvedSettings, ends: StartEnd): void {
  const parts = shape.parts.map((part): SewnPart => ({ ...part, sew: (own) => fillKind.stitch(out, part.shape, set, own) }));
  sewParts(out, parts, joinsOf(set, set.stitchLength.value), ends);
}

const WHY = 'one way for all letters, across stems and bars';

/** Letters as areas of rows, all in one direction. */
export const filledLettering: PieceKind<FilledShape> = {
  form: 'rows',
  isText: true,
  settings: (piece, facts, ctx) => ({
    ...fillSettings({ ...piece, rows: { angle: facts.angleDeg, why: WHY } }, facts, ctx),
    joining: joiningFor(ctx.settings),
  }),
  sentence: (s) => rowsSentence(`Lettering as fill${s.angle ? ` at ${s.angle.value.toFixed(0)}°` : ''}`, s),
  prepare,
  stitch,
};

/** A text as fills of their own. */
export const fillsApart = (piece: Piece): Omit<Piece, 'id'>[] =>
  placedLetters(piece).flatMap((letter) =>
    partsOf(letter).map((part): Omit<Piece, 'id'> => ({
      name: letter.char,
      kind: 'fill',
      thread: letter.thread ?? piece.thread,
      area: ringsToData(part),
      rows: { angle: ROWS_DEG, why: WHY },
      settings: { ...piece.settings },
    })),
  );
