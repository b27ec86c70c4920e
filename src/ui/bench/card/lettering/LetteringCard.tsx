'use client';
import { useEffect, useId, useMemo, useRef, useState } from 'react';
import { ALIGNMENTS, LETTER_DIRECTIONS, LETTER_LINES, LETTER_STYLES, type Job, type Lettering, type Piece } from '@/core/document/types';
import { LETTER_HEIGHTS } from '@/core/document/ranges';
import { faceOf, smallestIn } from '@/core/lettering/faces';
import { isMonogram } from '@/core/lettering/monogram';
import { layOut } from '@/core/lettering/layout';
import { SMALL_BELOW_MM } from '@/core/lettering/sized';
import { shippedFace } from '@/core/lettering/outline/catalogue';
import { extentOf, heightForWidth } from '@/core/lettering/textJob';
import type { LengthUnit } from '@/core/units/length';
import {
  addBorder,
  addShadow,
  breakIntoLetters,
  breakIntoPieces,
  chooseFace,
  editLettering,
  makeMonogram,
} from '@/session/edit/letteringCommands';
import { faceFont, isOutlined } from '@/session/shop/faceStore';
import { selectAll } from '@/session/view/viewStore';
import { Button } from '../../../components/Button';
import { Choice } from '../../../components/Choice';
import { NumberField } from '../../../components/NumberField';
import { useAsking } from '@/session/view/letteringView';
import { takeTool } from '../../tools/inHand';
import { letters } from '../../tools/letters';
import { DrawnLines, isOnLine } from './DrawnLines';
import { Heights } from './Heights';
import { Names } from './Names';
import { OneLetter } from './OneLetter';
import { faceName, FacePicker } from './FacePicker';

const LINES: Record<(typeof LETTER_LINES)[number], string> = {
  straight: 'Straight',
  'arc-up': 'Arch',
  'arc-down': 'Bowl',
  circle: 'Round a circle',
  path: 'A drawn line',
  between: 'Between two lines',
};
const WAYS: Record<(typeof LETTER_DIRECTIONS)[number], string> = {
  'left-to-right': 'To the right',
  'right-to-left': 'To the left',
  'centre-out': 'Centre out',
};
const STYLES: Record<'columns' | (typeof LETTER_STYLES)[number], string> = {
  columns: 'Columns',
  line: 'One line along each stroke',
  outline: 'A line round each letter',
  fill: 'Rows over each letter',
  applique: 'Cloth, edged with satin',
};
const SIDES: Record<(typeof ALIGNMENTS)[number], string> = { left: 'Left', centre: 'Middle', right: 'Right' };

/** What a text says, and how it stands. */
export function LetteringCard({ job, piece, text, weight }: { job: Job; piece: Piece; text: Lettering; weight: number }) {
  const units = job.brief.units ?? 'mm';
  const { id } = piece;
  const set = (patch: Partial<Lettering>): void => editLettering(id, patch);
  useLetters(id, text);
  return (
    <section aria-label="Text" className="mt-3 border-t border-hairline pt-2" data-testid="lettering">
      <Words id={id} text={text.text} />
      <FacePicker text={text} onChoose={(face) => void chooseFace(id, face)} />
      <p className="mt-1 text-xs text-quiet">{saysOf(text.face)}</p>
      <div className="mt-2">
        <Choice
          label="Letters are"
          value={text.style ?? 'columns'}
          options={(['columns', ...LETTER_STYLES] as const).map((style) => ({ value: style, name: STYLES[style] }))}
          onChange={(style) => set({ style: style === 'columns' ? undefined : style })}
        />
      </div>
      <Numbers text={text} units={units} set={set} />
      <div className="mt-2 grid grid-cols-2 gap-2">
        <Choice
          label="Stands on"
          value={text.line ?? 'straight'}
          options={LETTER_LINES.map((line) => ({ value: line, name: LINES[line] }))}
          onChange={(line) => set({ line: line === 'straight' ? undefined : line })}
        />
        {isOnLine(text) ? null : text.line && text.line !== 'straight' ? (
          <NumberField
            label="Radius"
            {...{ unit: 'mm', min: 5, max: 2000, step: 1, decimals: 1, lengthUnit: units }}
            value={text.radius}
            placeholder="auto"
            onCommit={(radius) => set({ radius })}
          />
        ) : (
          <Choice
            label="Lines begin"
            value={text.align ?? 'centre'}
            options={ALIGNMENTS.map((align) => ({ value: align, name: SIDES[align] }))}
            onChange={(align) => set({ align: align === 'centre' ? undefined : align })}
          />
        )}
      </div>
      {isOnLine(text) && <DrawnLines {...{ job, text, set }} />}
      <OneLetter {...{ job, piece, text, units }} />
      <Advice text={text} weight={weight} />
      <Heights id={id} text={text} units={units} locked={piece.locked === true} />
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
        <Names {...{ job, piece, text }} />
        <Button onClick={() => selectAll(breakIntoLetters(id))} disabled={piece.locked || text.text.length < 2}>
          Into letters
        </Button>
        <Button onClick={() => selectAll(breakIntoPieces(id))} disabled={piece.locked}>
          Into pieces
        </Button>
      </div>
    </section>
  );
}

const choose = (id: string | null): void => void (id && selectAll([id]));

const saysOf = (face: string): string =>
  faceOf(face)?.says ?? shippedFace(face)?.says ?? 'a font of your own, as columns along the middle of its strokes';

/** Sees to it that a face of outlines is at hand, and that a text typed before it was gets its letters. */
function useLetters(id: string, text: Lettering): void {
  const { face } = text;
  const lacking = layOut(text).missing.join('');
  useEffect(() => {
    if (!isOutlined(face)) return;
    void faceFont(face).then((font) => {
      if (font && [...lacking].some((sign) => font.outlinesFor(sign).glyphs[sign])) editLettering(id, {}, `letters ${id}`);
    });
  }, [id, face, lacking]);
}

function Words({ id, text }: { id: string; text: string }) {
  const field = useRef<HTMLTextAreaElement>(null);
  const own = useId();
  const asked = useAsking((s) => s.id === id);
  const mark = useRef('');
  // The card follows the job when there is time; what is typed shows at once.
  const [draft, setDraft] = useState<string | null>(null);
  const shown = draft ?? text;
  useEffect(() => {
    if (!asked) return;
    field.current?.focus();
    field.current?.select();
    useAsking.setState({ id: null });
  }, [asked]);
  return (
    <>
      <label htmlFor={own} className="mb-1 block text-quiet">
        Says
      </label>
      <textarea
        id={own}
        ref={field}
        value={shown}
        rows={Math.min(4, shown.split('\n').length)}
        maxLength={2000}
        onFocus={() => (mark.current = `text ${id} ${Date.now()}`)}
        onChange={(e) => {
          setDraft(e.target.value);
          if (e.target.value.trim() !== '') editLettering(id, { text: e.target.value }, mark.current);
        }}
        onBlur={() => setDraft(null)}
        className="w-full resize-none rounded-md border border-edge bg-white px-2 py-1.5 font-semibold"
      />
    </>
  );
}

function Numbers({ text, units, set }: { text: Lettering; units: LengthUnit; set(patch: Partial<Lettering>): void }) {
  return (
    <div className="mt-2 grid grid-cols-2 gap-2">
      <NumberField
        label="Height of capitals"
        {...{ unit: 'mm', ...LETTER_HEIGHTS, step: 0.5, decimals: 1, lengthUnit: units }}
        value={text.height}
        onCommit={(height) => set({ height })}
      />
      <NumberField
        label="Width of the whole"
        {...{ unit: 'mm', min: 2, max: 1000, step: 1, decimals: 1, lengthUnit: units }}
        value={wholeWidth(text)}
        onCommit={(mm) => set({ height: heightFitting(text, mm) })}
      />
      <NumberField
        label="Added between letters"
        {...{ unit: '%', min: -20, max: 300, step: 1, decimals: 0 }}
        value={text.spacing ?? 0}
        onCommit={(spacing) => set({ spacing: spacing === 0 ? undefined : spacing })}
      />
      <NumberField
        label="Width of letters"
        {...{ unit: '%', min: 30, max: 400, step: 5, decimals: 0 }}
        value={100 * (text.wide ?? 1)}
        onCommit={(v) => set({ wide: v === 100 ? undefined : v / 100 })}
      />
      <NumberField
        label="Slant"
        {...{ unit: '°', min: -45, max: 45, step: 1, decimals: 0 }}
        value={text.slant ?? 0}
        onCommit={(slant) => set({ slant: slant === 0 ? undefined : slant })}
      />
      <Choice
        label="Sewn"
        value={text.direction ?? 'left-to-right'}
        options={LETTER_DIRECTIONS.map((way) => ({ value: way, name: WAYS[way] }))}
        onChange={(way) => set({ direction: way === 'left-to-right' ? undefined : way })}
      />
    </div>
  );
}

function wholeWidth(text: Lettering): number | undefined {
  const b = extentOf(text);
  return b ? b.maxX - b.minX : undefined;
}

/** The height at which a text is so wide; as it is where there is none. */
function heightFitting(text: Lettering, mm: number): number {
  try {
    return heightForWidth(text, mm);
  } catch {
    return text.height;
  }
}

/** The smallest height of a face in a thread, mm; null where nobody measured it. */
function smallestOf(key: string, weight: number): number | null {
  const face = faceOf(key);
  return face ? smallestIn(face, weight) : (shippedFace(key)?.smallest[weight >= 60 ? 60 : 40] ?? null);
}

/** What the size and the signs ask for. */
function Advice({ text, weight }: { text: Lettering; weight: number }) {
  const laid = useMemo(() => layOut(text), [text]);
  const smallest = smallestOf(text.face, weight);
  const name = faceName(text.face);
  const says: string[] = [];
  if (laid.missing.length > 0) says.push(`${name} has no ${laid.missing.map((c) => `‘${c}’`).join(', ')}: left out.`);
  if (smallest !== null && text.height < smallest)
    says.push(`Below ${smallest} mm the openings of a, e and 8 close in this face: make it taller, take a finer thread, or Thimble.`);
  if (text.height < SMALL_BELOW_MM) says.push('Small letters are spread by 30 %; a 60-weight thread with a 65/9 needle sews them best.');
  if (says.length === 0) return null;
  return (
    <ul className="mt-2 text-xs leading-snug text-quiet" data-testid="lettering-advice">
      {says.map((s) => (
        <li key={s}>{s}</li>
      ))}
    </ul>
  );
}
