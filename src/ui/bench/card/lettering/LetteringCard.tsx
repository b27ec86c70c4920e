'use client';
import { useEffect, useId, useRef, useState } from 'react';
import { ALIGNMENTS, LETTER_LINES, LETTER_STYLES, type Job, type Lettering, type Piece } from '@/core/document/types';
import { faceOf } from '@/core/lettering/faces';
import { layOut } from '@/core/lettering/layout';
import { isLinesBySize, styleOf } from '@/core/lettering/styleOf';
import { shippedFace } from '@/core/lettering/outline/catalogue';
import { chooseFace, editLettering, letterInThread } from '@/session/edit/letteringCommands';
import { faceFont, isOutlined } from '@/session/shop/faceStore';
import { useAsking } from '@/session/view/letteringView';
import { Choice } from '../../../components/Choice';
import { NumberField } from '../../../components/NumberField';
import { ConeCode } from '../ConeCode';
import { Actions } from './Actions';
import { Advice } from './Advice';
import { DrawnLines, isOnLine } from './DrawnLines';
import { FacePicker } from './FacePicker';
import { Heights } from './Heights';
import { Numbers } from './Numbers';
import { OneLetter } from './OneLetter';
import { SizeRules } from './SizeRules';

const LINES: Record<(typeof LETTER_LINES)[number], string> = {
  straight: 'Straight',
  'arc-up': 'Arch',
  'arc-down': 'Bowl',
  circle: 'Round a circle',
  path: 'A drawn line',
  between: 'Between two lines',
};
const STYLES: Record<'columns' | (typeof LETTER_STYLES)[number], string> = {
  columns: 'Columns',
  line: 'One line along each stroke',
  outline: 'A line round each letter',
  fill: 'Rows over each letter',
  applique: 'Cloth, edged with satin',
};
const SIDES: Record<(typeof ALIGNMENTS)[number], string> = { left: 'Left', centre: 'Middle', right: 'Right' };

/** A text in a style; columns against a rule that would make them lines switch it off. */
const inStyle = (text: Lettering, style: 'columns' | NonNullable<Lettering['style']>): Partial<Lettering> =>
  style === 'columns' ? { style: undefined, ...(isLinesBySize(text) ? { rules: { ...text.rules, line: false } } : {}) } : { style };

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
      <div className="mt-2 grid grid-cols-2 gap-2">
        <Choice
          label="Letters are"
          value={styleOf(text) ?? 'columns'}
          options={(['columns', ...LETTER_STYLES] as const).map((style) => ({ value: style, name: STYLES[style] }))}
          onChange={(style) => set(inStyle(text, style))}
        />
        <ConeCode job={job} label="Cone by its code" onChoose={(thread) => letterInThread(id, null, thread)} />
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
      <Advice {...{ job, piece, text, weight }} />
      <SizeRules id={id} text={text} locked={piece.locked === true} />
      <Heights id={id} text={text} units={units} locked={piece.locked === true} />
      <Actions {...{ job, piece, text }} />
    </section>
  );
}

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
