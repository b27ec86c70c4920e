'use client';
import { Undo2 } from 'lucide-react';
import { lengthText } from '@/session/view/unitsStore';
import type { ArtAnswerKind, ArtPlaceKind } from '@/core/document/types';
import { answerPlace } from '@/session/edit/commands';
import type { PlaceView, Survey } from '@/core/artwork/survey';
import { Button } from '../components/Button';
import { Sign } from '../components/Sign';

const WORDS: Record<ArtPlaceKind, string> = {
  thin: 'Thinner than two threads',
  narrow: 'Narrow for satin',
  opening: 'Opening will close up',
  gap: 'Gap will close up',
};

/** A length without its unit, where one stands beside it. */
const bare = (mm: number, decimals: number): string => lengthText(mm, decimals).replace(/ .*/, '');

const ANSWERS: Record<ArtAnswerKind, (p: PlaceView) => string> = {
  widen: (p) => `Widen to ${bare(p.kind === 'thin' || p.kind === 'narrow' ? 1.2 : 1, 1)}`,
  drop: () => 'Drop',
  merge: (p) => (p.kind === 'opening' ? 'Close it' : 'Make one'),
  leave: () => 'Leave',
};
const DONE: Record<ArtAnswerKind, string> = { widen: 'widened', drop: 'dropped', merge: 'closed', leave: 'left as drawn' };

const figure = (mm: number | null): string => (mm === null ? 'none' : `${lengthText(mm)}`);

interface Props {
  survey: Survey;
  marked: number | null;
  onMark(i: number | null): void;
}

/** What is too small to sew at this size, with the figures people look for first and one-click answers. */
export function SizeReport({ survey, marked, onMark }: Props) {
  const { places, facts } = survey;
  const open = places.filter((p) => !p.answer).length;
  return (
    <section aria-label="Size report" className="border-b border-hairline" data-testid="size-report" data-open={open}>
      <dl className="grid grid-cols-3 gap-2 px-4 pt-3">
        {(
          [
            ['thinnest part', facts.thinnestMm],
            ['narrowest opening', facts.narrowestOpeningMm],
            ['widest satin', facts.widestSatinMm],
          ] as const
        ).map(([name, mm]) => (
          <div key={name} className="flex flex-col-reverse">
            <dt className="text-xs text-quiet">{name}</dt>
            <dd className="figures font-semibold">{figure(mm)}</dd>
          </div>
        ))}
      </dl>
      {places.length === 0 ? (
        <p className="px-4 pt-1 pb-3 text-good">
          <Sign of="good" /> Nothing is too small to sew at this size.
        </p>
      ) : (
        <>
          <h2 className="px-4 pt-2 pb-1 font-semibold">
            {open === 0 ? 'All places decided' : `${open} ${open === 1 ? 'place' : 'places'} too small at this size`}
          </h2>
          <ol className="max-h-[168px] overflow-auto" tabIndex={0} aria-label="Places">
            {places.map((p, i) => (
              <li
                key={i}
                onMouseEnter={() => onMark(i)}
                onMouseLeave={() => onMark(null)}
                className={`flex items-center gap-2 border-t border-hairline px-4 py-1 ${marked === i ? 'bg-tape-soft' : ''}`}
              >
                <span className="figures w-6 shrink-0 text-right text-quiet">{i + 1}</span>
                <span className="min-w-0 flex-1 leading-tight">
                  {WORDS[p.kind]} <span className="figures font-semibold">{bare(p.measuredMm, 2)}</span>
                  <span className="text-quiet"> under {lengthText(p.limitMm)}</span>
                </span>
                {p.answer ? (
                  <>
                    <span className="text-good">
                      <Sign of="good" /> {DONE[p.answer.answer]}
                    </span>
                    <button
                      type="button"
                      className="grid h-6 w-6 place-items-center rounded-md hover:bg-tape-soft"
                      aria-label={`Take back: place ${i + 1}`}
                      title="Take it back"
                      onClick={() => answerPlace(p.drawingAt, p.kind, null, p.answer)}
                    >
                      <Undo2 size={14} aria-hidden="true" />
                    </button>
                  </>
                ) : (
                  p.answers.map((a) => (
                    <Button
                      key={a}
                      dense
                      aria-label={`${ANSWERS[a](p)}: place ${i + 1}`}
                      onClick={() => answerPlace(p.drawingAt, p.kind, a, p.answer)}
                    >
                      {ANSWERS[a](p)}
                    </Button>
                  ))
                )}
              </li>
            ))}
          </ol>
        </>
      )}
    </section>
  );
}

/** The places on the artwork, numbered as in the list. */
export function PlaceMarks({
  places,
  marked,
  onMark,
}: {
  places: readonly PlaceView[];
  marked: number | null;
  onMark(i: number | null): void;
}) {
  return (
    <g data-testid="place-marks">
      {places.map((p, i) => (
        <g
          key={i}
          transform={`translate(${p.at.x} ${p.at.y}) scale(${marked === i ? 1.5 : 1})`}
          onMouseEnter={() => onMark(i)}
          onMouseLeave={() => onMark(null)}
          opacity={p.answer ? 0.55 : 1}
        >
          <circle r={1.5} fill={p.answer ? '#2f6b4f' : '#a8500f'} stroke="#fff" strokeWidth={0.3} />
          <text y={0.62} textAnchor="middle" fontSize={1.75} fill="#fff" className="figures">
            {i + 1}
          </text>
        </g>
      ))}
    </g>
  );
}
