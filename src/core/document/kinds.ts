/** The shapes of a piece in its record. */
interface RecordShape {
  line?: string;
  width?: number;
  sides?: readonly [string, string];
  area?: string;
  lettering?: object;
}

/** What a record must know of a kind of piece. */
interface RecordKind {
  /** What people call it, in the whole interface and in what is printed. */
  word: string;
  /** The shape that its record holds, in words. */
  needs: string;
  holds(record: RecordShape): boolean;
}

const AREA: Pick<RecordKind, 'needs' | 'holds'> = { needs: 'an area', holds: (p) => p.area !== undefined };

/** Every kind that a record may name. How each is sewn is told in `pieces/kinds`. */
export const PIECE_KINDS = {
  run: { word: 'Run', needs: 'a line', holds: (p) => p.line !== undefined },
  satin: {
    word: 'Satin',
    needs: 'two sides, a line with a width, or an area',
    holds: (p) => p.sides !== undefined || p.area !== undefined || (p.line !== undefined && p.width !== undefined),
  },
  fill: { word: 'Fill', ...AREA },
  border: { word: 'Border', ...AREA },
  applique: { word: 'Appliqué', ...AREA },
  lettering: { word: 'Lettering', needs: 'a text', holds: (p) => p.lettering !== undefined },
} satisfies Record<string, RecordKind>;

export type PieceKindName = keyof typeof PIECE_KINDS;

/** All kinds that a shape can be sewn as. */
export const kindsFor = (record: RecordShape): PieceKindName[] =>
  (Object.keys(PIECE_KINDS) as PieceKindName[]).filter((kind) => PIECE_KINDS[kind].holds(record));
