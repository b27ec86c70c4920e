'use client';
import { lengthText, unitsNow } from '@/session/view/unitsStore';
import { Fragment } from 'react';
import type { LetterHeights } from '@/core/proof/letterForecast';
import { gapsOf, type Forecast, type Gap } from '@/core/forecast/forecast';
import type { Correction } from '@/core/forecast/correct';
import { formatLength } from '@/core/units/length';
import { useJob } from '@/session/job/jobStore';
import { cancelPull, seekCorrection, takeCorrection, usePull } from '@/session/derived/forecastStore';
import { Button } from '../../components/Button';
import { SEEN_MM } from '../cloth/PullLayer';
import { Sign } from '../../components/Sign';
import { WhatIsThis } from '../../words/WhatIsThis';

/** Round letters this much lower than flat ones are seen as short, mm. */
const LOOKS_SHORT_MM = 0.1;

const gapWords = (gaps: readonly Gap[]): string =>
  gaps.length === 0 ? 'No cloth shows' : `${gaps.length} ${gaps.length === 1 ? 'gap' : 'gaps'}, up to ${lengthText(gaps[0]!.gapMm)}`;

/** What the forecast says in figures, and the way to mend it. */
export function PullLegend() {
  const { forecast, progress, problem, correction, enlarged, overlaps } = usePull();
  return (
    <div className="absolute top-9 left-0 w-[268px] rounded-md border border-hairline bg-panel p-2 text-xs" data-testid="pull-legend">
      {problem && (
        <p role="alert" className="text-danger">
          <Sign of="stop" /> {problem}
        </p>
      )}
      {forecast ? <Figures forecast={forecast} letters={forecast.letters} /> : <p>Working out how the cloth will move …</p>}
      {progress !== null && (
        <p className="mt-1 flex items-center gap-2" role="status">
          <span className="figures">{Math.round(100 * progress)} %</span>
          <progress className="min-w-0 flex-1" value={progress} aria-label="Forecast" />
          <Button dense onClick={cancelPull}>
            Stop
          </Button>
        </p>
      )}
      {correction ? <Proposal correction={correction} /> : forecast && progress === null && <Seek forecast={forecast} />}
      <div className="mt-2 flex items-center gap-2 border-t border-hairline pt-1" role="radiogroup" aria-label="Movement shown">
        <span>Movement shown</span>
        {([1, 4] as const).map((times) => (
          <label key={times} className="flex items-center gap-1">
            <input
              type="radio"
              name="enlarged"
              className="accent-[#1d282c]"
              checked={enlarged === times}
              onChange={() => usePull.setState({ enlarged: times })}
            />
            <span>{times === 1 ? 'true' : `${times} times`}</span>
          </label>
        ))}
      </div>
      <label className="mt-1 flex items-center gap-1.5">
        <input
          type="checkbox"
          className="accent-[#1d282c]"
          checked={overlaps}
          onChange={(e) => usePull.setState({ overlaps: e.target.checked })}
        />
        <span>Overlaps that will be left, {unitsNow()}</span>
      </label>
      <p className="mt-1 leading-tight text-quiet">
        Dashed: drawn. Ink: as it will come out in the hoop. Red: cloth shows. A model with assumed cloth values: trust the order of size
        until your sew-outs say otherwise.
      </p>
    </div>
  );
}

function Figures({ forecast, letters }: { forecast: Forecast; letters: readonly LetterHeights[] }) {
  const units = useJob((s) => s.job?.brief.units ?? 'mm');
  const gaps = gapsOf(forecast.meetings, SEEN_MM);
  const size = (s: { widthMm: number; heightMm: number }): string =>
    `${formatLength(s.widthMm, units)} × ${formatLength(s.heightMm, units)}`;
  return (
    <>
      <p className={`text-base font-semibold ${gaps.length > 0 ? 'text-danger' : ''}`} data-testid="pull-gaps">
        {gapWords(gaps)} <WhatIsThis term="registration" />
      </p>
      <dl className="mt-1 grid grid-cols-[74px_1fr] gap-x-2">
        <dt className="text-quiet">drawn</dt>
        <dd className="figures">{size(forecast.drawn)}</dd>
        <dt className="flex items-center gap-1 text-quiet">
          predicted <WhatIsThis term="pull" />
        </dt>
        <dd className="figures">{size(forecast.predicted)}</dd>
        {letters.map(({ pieces, flatMm, roundMm }) => (
          <Fragment key={pieces.join(' ')}>
            <dt className="text-quiet">letters</dt>
            <dd data-testid="letter-heights">
              flat <span className="figures">{flatMm.toFixed(1)}</span>, round <span className="figures">{lengthText(roundMm)}</span> high
              {roundMm < flatMm - LOOKS_SHORT_MM ? ': round ones will look short' : ''}
            </dd>
          </Fragment>
        ))}
        <dt className="text-quiet">pucker</dt>
        <dd>
          {forecast.pucker ? (
            <>
              <span className="figures">{(forecast.pucker.areaMm2 / 100).toFixed(1)} cm²</span> of cloth about it may ripple
            </>
          ) : (
            'none likely'
          )}
        </dd>
      </dl>
    </>
  );
}

function Seek({ forecast }: { forecast: Forecast }) {
  if (gapsOf(forecast.meetings, SEEN_MM).length === 0) return null;
  return (
    <Button dense className="mt-2" onClick={() => seekCorrection()} title="Extends what lies under outlines; outlines stay where they are">
      Correct the edges …
    </Button>
  );
}

function Proposal({ correction: { pieces, before, after } }: { correction: Correction }) {
  return (
    <div className="mt-2 border-t border-hairline pt-1" data-testid="correction">
      {pieces.length === 0 ? (
        <p>No edge can be extended under what covers it. A nearer outline or a firmer stabilizer helps.</p>
      ) : (
        <p>
          {gapWords(before)} now. With {pieces.length} {pieces.length === 1 ? 'piece' : 'pieces'} extended:{' '}
          <span className="font-semibold">{gapWords(after).toLowerCase()}</span>. Outlines stay.
        </p>
      )}
      <p className="mt-1 flex gap-1">
        {pieces.length > 0 && (
          <Button dense look="primary" onClick={takeCorrection}>
            Take the correction
          </Button>
        )}
        <Button dense onClick={() => usePull.setState({ correction: null })}>
          Leave it
        </Button>
      </p>
    </div>
  );
}
