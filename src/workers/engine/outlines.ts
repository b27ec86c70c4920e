import type { Piece } from '@/core/document/types';
import { simplify } from '@/core/geometry/area';
import { ofEach } from '@/core/geometry/known';
import { ringsToData } from '@/core/geometry/path';
import { prepareShape } from '@/core/pieces/registry';

const OUTLINE_TOLERANCE_MM = 0.05;

/** Outline of a piece for choosing and marking, mm; path data. */
export const outlineOf = ofEach((p: Piece) => ringsToData(simplify(prepareShape(p)?.painted ?? [], OUTLINE_TOLERANCE_MM)));
