'use client';
import { ChevronLeft, ChevronRight, Pause, Play, SkipBack, SkipForward } from 'lucide-react';

import { recipeFor } from '@/core/cloth/house';
import { formatClock } from '@/core/units/length';
import { useJob } from '@/session/job/jobStore';
import { usePlan } from '@/session/derived/planStore';
import { SPEEDS, useView } from '@/session/view/viewStore';
import { SignButton } from '../../components/Button';
import { CommandSign } from '../../commands/CommandButton';
import { Tick } from '../../components/Tick';
import { ALL_SEWN, STITCH_BACK, STITCH_ON } from '../tools/benchKeys';
import { seek, togglePlay } from './player';
import { timelineOf } from '@/core/plan/timeline';
import { useRested } from '../useRested';

/** Sew, step, and how fast. */
export function PlayControls() {
  const playing = useView((s) => s.playing);
  const speed = useView((s) => s.speed);
  const playhead = useView((s) => s.playhead);
  const pauseAtTrims = useView((s) => s.pauseAtTrims);
  const pauseAtStops = useView((s) => s.pauseAtStops);
  const pauseAtFindings = useView((s) => s.pauseAtFindings);
  const follow = useView((s) => s.follow);
  const plan = useRested(usePlan((s) => s.planned?.plan));
  const total = plan?.x.length ?? 0;
  const speedOf = useJob((s) => (s.job ? recipeFor(s.job.brief).speed : 750));
  const timeline = plan ? timelineOf(plan, speedOf) : null;
  const sewn = (event: number): number => timeline?.stitches[Math.min(event, total)] ?? 0;
  const off = total === 0;
  return (
    <div className="flex w-[176px] shrink-0 flex-col gap-1.5 overflow-hidden border-r border-hairline p-2">
      <div className="flex items-center justify-between">
        <SignButton name="To the first stitch" disabled={off} onClick={() => seek(0)}>
          <SkipBack size={16} />
        </SignButton>
        <CommandSign command={STITCH_BACK} disabled={off}>
          <ChevronLeft size={17} />
        </CommandSign>
        <button
          type="button"
          disabled={off}
          aria-label={playing ? 'Stop sewing (Space)' : 'Sew (Space)'}
          title={playing ? 'Stop sewing (Space)' : 'Sew (Space)'}
          onClick={togglePlay}
          className="grid h-9 w-9 place-items-center rounded-full border border-ink bg-tape hover:bg-[#ffd34d] disabled:opacity-40"
        >
          {playing ? <Pause size={17} /> : <Play size={17} className="translate-x-px" />}
        </button>
        <CommandSign command={STITCH_ON} disabled={off}>
          <ChevronRight size={17} />
        </CommandSign>
        <CommandSign command={ALL_SEWN} disabled={off}>
          <SkipForward size={16} />
        </CommandSign>
      </div>
      <div role="group" aria-label="Stitches per second" className="grid grid-cols-5 overflow-hidden rounded-md border border-edge">
        {SPEEDS.map((s) => (
          <button
            key={s}
            type="button"
            aria-pressed={speed === s}
            aria-label={`${s} stitches a second`}
            onClick={() => useView.setState({ speed: s })}
            className={`figures h-6 border-r border-hairline text-xs last:border-r-0 ${speed === s ? 'bg-tape' : 'hover:bg-tape-soft'}`}
          >
            {s >= 1000 ? `${s / 1000}k` : s}
          </button>
        ))}
      </div>
      <div className="grid grid-cols-[76px_1fr] gap-y-0.5 text-xs leading-none" role="group" aria-label="The replay waits at">
        <Tick small name="trims" title="Wait at every trim" on={pauseAtTrims} onChange={(on) => useView.setState({ pauseAtTrims: on })} />
        <Tick small name="stops" title="Wait at every stop" on={pauseAtStops} onChange={(on) => useView.setState({ pauseAtStops: on })} />
        <Tick
          small
          name="findings"
          title="Wait at every finding of the proof"
          on={pauseAtFindings}
          onChange={(on) => useView.setState({ pauseAtFindings: on })}
        />
        <Tick small name="follow" title="The view follows the needle" on={follow} onChange={(on) => useView.setState({ follow: on })} />
      </div>
      <p className="figures mt-auto flex justify-between text-xs whitespace-nowrap" data-testid="play-position">
        <span>
          {sewn(playhead ?? total).toLocaleString('en')} <span className="text-quiet">/ {sewn(total).toLocaleString('en')}</span>
        </span>
        {timeline && <span title="Machine time so far">{formatClock(timeline.at[Math.min(playhead ?? total, total)]!)}</span>}
      </p>
    </div>
  );
}
