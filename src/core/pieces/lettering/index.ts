import type { Piece } from '../../document/types';
import { areaOf, unite } from '../../geometry/area';
import { ofEach } from '../../geometry/known';
import { boundsOf, boundsTouch, type Area } from '../../geometry/point';
import { UnionFind } from '../../geometry/unionFind';
import { styleOf } from '../../lettering/styleOf';
import type { StitchBuffer } from '../../stitches/buffer';
import { shortOnes } from '../../stitches/shortStitches';
import type { StartEnd } from '../../stitches/startEnd';
import type { LongRows, PieceKind, PreparedShape } from '../kind';
import type { ResolvedSettings } from '../resolve';
import { columnSettings, rowsOver, widthsOf } from '../satin';
import { endOf } from '../satin/foundation';
import { sewNetwork } from '../satin/sewNetwork';
import { medianWidth } from '../satin/track';
import { rowsSentence } from '../sentence';
import { partsWithin } from './joinedParts';
import { footOf, placedLetters, type LetterPath } from './placed';
import { letteringSettings, textOfSchool } from './settings';
import { keepNear } from './reach';
import { columnPlaces, joinsOf, sewParts, type SewnPart } from './sew';
import { styledKind } from './styles';

interface LetteringShape extends PreparedShape {
  letters: LetterPath[];
  /** Whether its letters are outlines of a font, not strokes of a face of our own. */
  isOutlined: boolean;
}

function prepare(piece: Piece): LetteringShape | null {
  const letters = placedLetters(piece);
  if (letters.length === 0) return null;
  const painted = paintedBy(letters);
  const columns = letters.flatMap((l) => l.letter.columns);
  const foot = ({ letter, heightOf }: LetterPath, side: 1 | -1) =>
    footOf(
      letter.columns.flatMap(({ track }) => [endOf(track, false), endOf(track, true)]),
      heightOf,
      side,
    );
  return {
    facts: {
      widthMm: medianWidth(columns.map((c) => c.track)),
      angleDeg: 0,
      rowsMm: () => widthsOf(columns),
    },
    cover: painted,
    painted,
    areaMm2: areaOf(painted),
    ends: [{ start: foot(letters[0]!, -1), end: foot(letters[letters.length - 1]!, 1) }],
    letters,
    isOutlined: piece.lettering?.outlines !== undefined,
    rowsOver: (limitMm) => widestOver(letters, limitMm),
  };
}

/** What all letters paint. Only letters near each other are joined: of a line that is typed, all but the last stand as they did. */
function paintedBy(letters: readonly LetterPath[]): Area {
  const areas = letters.map(({ letter }) => letter.painted);
  const boxes = areas.map(boxOf);
  const near = new UnionFind(areas.length);
  boxes.forEach((box, i) => boxes.slice(0, i).forEach((before, k) => boundsTouch(box, before) && near.join(i, k)));
  const groups = new Map<number, Area[]>();
  areas.forEach((area, i) => {
    const root = near.root(i);
    groups.set(root, [...(groups.get(root) ?? []), area]);
  });
  return [...groups.values()].flatMap((group) => (group.length === 1 ? group[0]! : unite(...group)));
}

const boxOf = ofEach((area: Area) => boundsOf(area));

/** The longest row over a limit of all letters, and how much of their columns is wider than that. */
function widestOver(letters: readonly LetterPath[], limitMm: number): LongRows | null {
  const found = letters.flatMap(({ letter }) => rowsOver(letter.columns, limitMm) ?? []);
  const alongMm = found.reduce((sum, f) => sum + f.alongMm, 0);
  return found.reduce<LongRows | null>((worst, f) => (worst && worst.mm >= f.mm ? worst : { ...f, alongMm }), null);
}

function stitch(out: StitchBuffer, shape: LetteringShape, set: ResolvedSettings, ends: StartEnd): void {
  const [settings, first] = [columnSettings(set, shape.painted), out.length];
  const joiningMm = set.joining?.value ?? 0;
  // On foam rows reach as far as they need to; strokes of our own faces end where they should.
  const pullMm = shape.isOutlined && !set.foam?.value ? widestPull(set) : null;
  const parts = shape.letters.flatMap(({ letter, heightOf, thread, cut }) =>
    partsWithin(letter, joiningMm).map((columns, k): SewnPart => ({
      painted: letter.painted,
      ...{ thread, cut: k === 0 ? cut : undefined },
      places: columnPlaces(columns, heightOf),
      sew: (own) => {
        const from = out.length;
        sewNetwork(out, { columns }, settings, own);
        if (pullMm !== null) keepNear(out, from, letter.painted, pullMm);
      },
    })),
  );
  sewParts(out, parts, joinsOf(set, settings.runLengthMm), ends);
  out.leaveOut(shortOnes(out.columns(), first));
}

/** How much its rows are made longer, where by most, mm. */
const widestPull = ({ pullComp, pullCompSides }: ResolvedSettings): number =>
  Math.max(pullComp?.value ?? 0, ...(pullCompSides?.value ?? []));

/** Text: each letter a path of columns, the whole with as few cuts as its gaps allow. */
export const letteringKind: PieceKind<LetteringShape> = {
  form: 'column',
  isText: true,
  inStyle: (piece) => styledKind(piece.lettering && styleOf(piece.lettering)),
  underSchool: textOfSchool,
  settings: letteringSettings,
  sentence: (s, widthMm) => rowsSentence(`Lettering, strokes ${widthMm.toFixed(1)} wide`, s),
  prepare,
  stitch,
};
