'use client';
import { lengthText, said } from '@/session/view/unitsStore';
import { useMemo } from 'react';
import { isCap } from '@/core/document/job';
import type { Job, Lettering, Piece } from '@/core/document/types';
import { faceOf, smallestIn } from '@/core/lettering/faces';
import { foamHeight, tooThinForFoam } from '@/core/lettering/foam';
import { tooThinOnFoam } from '@/core/pieces/lettering/foamOutlines';
import { layOut } from '@/core/lettering/layout';
import { shippedFace } from '@/core/lettering/outline/catalogue';
import { SMALL_BELOW_MM } from '@/core/lettering/sized';
import { styleOf } from '@/core/lettering/styleOf';
import { WIDEST_SATIN_MM } from '@/core/units/craft';
import { editLettering } from '@/session/edit/letteringCommands';
import { Button } from '../../../components/Button';
import { faceName } from './FacePicker';

/** The smallest height of a face in a thread, mm; null where nobody measured it. */
function smallestOf(key: string, weight: number): number | null {
  const face = faceOf(key);
  return face ? smallestIn(face, weight) : (shippedFace(key)?.smallest[weight >= 60 ? 60 : 40] ?? null);
}

/** Below this letters cannot be read, whatever is done, mm (craft §8). */
const UNREADABLE_MM = 4;

interface Piecewise {
  job: Job;
  piece: Piece;
  text: Lettering;
  weight: number;
}

/** What the size, the signs, the cloth and foam ask for. */
export function Advice(props: Piecewise) {
  const { job, piece, text } = props;
  const laid = useMemo(() => layOut(text), [text]);
  const says = [...ofSigns(text, laid.missing), ...ofSize(props), ...ofStrokes(props, laid.strokeMm), ...ofFoam(props)];
  const outward = isCap(job.brief) && text.direction !== 'centre-out' && text.text.trim().length > 2;
  if (says.length === 0 && !outward) return null;
  return (
    <ul className="mt-2 flex flex-col gap-1 text-xs leading-snug text-quiet" data-testid="lettering-advice">
      {says.map((s) => (
        <li key={s}>{said(s)}</li>
      ))}
      {outward && (
        <li className="flex items-center gap-2">
          <span className="flex-1">
            On a cap a text is sewn from its middle outward, lines from the lowest up: cloth is not pushed together.
          </span>
          <Button dense disabled={piece.locked} onClick={() => editLettering(piece.id, { direction: 'centre-out' })}>
            Centre out
          </Button>
        </li>
      )}
    </ul>
  );
}

const ofSigns = ({ face }: Lettering, missing: readonly string[]): string[] =>
  missing.length === 0 ? [] : [`${faceName(face)} has no ${missing.map((c) => `‘${c}’`).join(', ')}: left out.`];

function ofSize({ text, weight, job }: Piecewise): string[] {
  const smallest = smallestOf(text.face, weight);
  const style = styleOf(text);
  const columns = style === undefined;
  if (columns && text.height < UNREADABLE_MM)
    return [
      `Letters of ${text.height} mm close up: make them ${UNREADABLE_MM} mm or taller, sew one line along each stroke, or leave them out.`,
    ];
  if (style === 'line' && text.style === undefined)
    return [`Letters of ${text.height} mm are lines: make them ${UNREADABLE_MM} mm or taller for columns, or leave them out.`];
  return [
    ...(columns && smallest !== null && text.height < smallest
      ? [
          `Below ${smallest} mm the openings of a, e and 8 close in this face: make it taller, take a finer thread, Thimble, or one line along each stroke.`,
        ]
      : []),
    ...(text.height < SMALL_BELOW_MM ? ['A 60-weight thread with a 65/9 needle sews small letters best.'] : []),
    ...(text.height < SMALL_BELOW_MM && job.brief.cloth === 'cap'
      ? ['Stiff, rough caps swallow small letters: rows 0.45 apart, with topping.']
      : []),
  ];
}

function ofStrokes({ job, text, piece }: Piecewise, strokeMm: number): string[] {
  const limit = job.settings.satinLimit ?? WIDEST_SATIN_MM;
  if (styleOf(text) !== undefined || (piece.settings.foam ?? 0) > 0 || strokeMm <= limit) return [];
  return [
    `Strokes are ${lengthText(strokeMm)} wide, over the satin limit of ${lengthText(limit, 0)}: their rows are split. Rows over each letter lie flat.`,
  ];
}

function ofFoam({ text, piece }: Piecewise): string[] {
  if ((piece.settings.foam ?? 0) === 0) return [];
  const face = faceOf(text.face);
  const from = face ? foamHeight(face) : shippedFace(text.face)?.foam;
  const name = face?.name ?? text.outlines?.name;
  if (from !== undefined && text.height < from) return [`Foam wants strokes of 4 mm and more: in ${name} letters of ${from} mm.`];
  const thin = face ? tooThinForFoam(face, text.height).filter((sign) => text.text.includes(sign)) : tooThinOnFoam(text);
  return thin.length === 0 ? [] : [`Too thin for foam at this height: ${thin.join(' ')}.`];
}
