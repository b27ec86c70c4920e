import type { ArtAnswer, ArtChoice, Job, Piece, Thread } from '../document/types';
import type { PieceKindName } from '../document/kinds';
import { apply, inverse } from '../geometry/path';
import type { WidthRange } from '../geometry/medial';
import { WIDEST_SATIN_MM } from '../units/craft';
import { digitize, type Digitized, type DigitizeOptions } from './digitize';
import { choicesFor, markOf } from './chosenKinds';
import { readable } from './names';
import { kindsOf } from './proposeKind';
import type { PlacedArt } from './place';
import { drawingOf, type ArtDocument, type ArtNote } from './readSvg';
import { answerFor, sizeFacts, sizePlaces, type SizeFacts, type SizePlace } from './sizeReport';

/** A region of the artwork as the Art place shows it. */
export interface RegionView {
  name: string;
  hex: string;
  /** Path data in mm. */
  data: string;
  strokeWidthMm: number | null;
  areaMm2: number;
  width: WidthRange;
  kind: PieceKindName | 'drop';
  why: string;
  /** What it could be sewn as. */
  kinds: readonly (PieceKindName | 'drop')[];
  /** A point of it, in the drawing's own units, and whether a person chose its kind. */
  drawingAt: [number, number];
  chosen: boolean;
  /** What it would be sewn as; null when it is left out. */
  piece: Piece | null;
}

/** A place of the size report with what was decided for it. */
export interface PlaceView extends SizePlace {
  /** Its place in the drawing's own units. */
  drawingAt: [number, number];
  answer: ArtAnswer | null;
}

export interface Survey {
  places: PlaceView[];
  facts: SizeFacts;
  regions: RegionView[];
  notes: ArtNote[];
  specks: number;
  hidden: number;
  shading: number;
  widthMm: number;
  heightMm: number;
  transform: Job['artwork'][number]['transform'];
  threads: Thread[];
  pieces: Piece[];
}

/** A drawing and how its pieces are to be proposed. */
export interface SurveyRequest extends Omit<DigitizeOptions, 'progress'> {
  svg: string;
}

/** Measures a drawing at its finished size and proposes what each of its regions is sewn as. */
export function survey({ svg, ...options }: SurveyRequest, progress: (done: number) => void = () => undefined): Survey {
  const doc = drawingOf(svg);
  const made = digitize(doc, { ...options, progress });
  const { art, report, threads, pieces } = made;
  const { specks, hidden, shading, regions } = report;
  return {
    places: placesOf(made, options.answers ?? []),
    facts: sizeFacts(regions, options.settings.satinLimit ?? WIDEST_SATIN_MM),
    regions: regionsOf(made, options.sewnAs ?? []),
    ...{ specks, hidden, shading, threads, pieces },
    notes: notesOf(doc, art),
    widthMm: art.width,
    heightMm: art.height,
    transform: [...art.matrix],
  };
}

function regionsOf({ art, report, proposals, byRegion }: Digitized, sewnAs: readonly ArtChoice[]): RegionView[] {
  const back = inverse(art.matrix);
  const chosen = choicesFor(report.regions, sewnAs, art.matrix);
  return report.regions.map((r, i): RegionView => {
    const { x, y } = apply(back, markOf(r));
    return {
      name: byRegion[i]?.name ?? readable(r.name),
      hex: r.hex,
      data: r.data,
      strokeWidthMm: r.stroke?.widthMm ?? null,
      areaMm2: r.areaMm2,
      width: r.width,
      kind: proposals[i]!.kind,
      why: proposals[i]!.why,
      kinds: kindsOf(r),
      drawingAt: [x, y],
      chosen: chosen[i] !== null,
      piece: byRegion[i]!,
    };
  });
}

function placesOf({ art, drawn }: Digitized, answers: readonly ArtAnswer[]): PlaceView[] {
  const back = inverse(art.matrix);
  return sizePlaces(drawn).map((place) => {
    const { x, y } = apply(back, place.at);
    return { ...place, drawingAt: [x, y], answer: answerFor(place, answers, art.matrix) };
  });
}

/** What of a drawing is left out or changed, as sentences or parts of them. */
export const notesOf = (doc: Pick<ArtDocument, 'notes'>, art: Pick<PlacedArt, 'leftOut'>): ArtNote[] => [
  ...doc.notes,
  ...[...art.leftOut].map(([name, why]) => ({ what: `‘${readable(name)}’ is left out: ${why}.`, count: 1 })),
];
