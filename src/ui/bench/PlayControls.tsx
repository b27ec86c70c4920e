'use client';
import { ChevronLeft, ChevronRight, Pause, Play, SkipBack, SkipForward } from 'lucide-react';
import { usePlan } from '@/store/planStore';
import { SPEEDS, useView } from '@/store/viewStore';
import { SignButton } from '../components/Button';
import { seek, stepBy, togglePlay } from './player';

/** Sew, step, and how fast. */
export function PlayControls() {
  const playing = useView((s) => s.playing);
  const speed = useView((s) => s.speed);
  const playhead = useView((s) => s.playhead);
  const total = usePlan((s) => s.planned?.plan.x.length ?? 0);
  const off = total === 0;
  return (
    <div className="flex w-[176px] shrink-0 flex-col gap-1.5 border-r border-hairline p-2">
      <div className="flex items-center justify-between">
        <SignButton name="To the first stitch" disabled={off} onClick={() => seek(0)}>
          <SkipBack size={16} />
        </SignButton>
        <SignButton name="One stitch back (,)" disabled={off} onClick={() => stepBy(-1)}>
          <ChevronLeft size={17} />
        </SignButton>
        <button
          type="button"
          disabled={off}
          aria-label={playing ? 'Stop sewing (Space)' : 'Sew (Space)'}
          title={playing ? 'Stop sewing (Space)' : 'Sew (Space)'}
          onClick={() => (playhead === null && !playing ? (seek(0), togglePlay()) : togglePlay())}
          className="grid h-9 w-9 place-items-center rounded-full border border-ink bg-tape hover:bg-[#ffd34d] disabled:opacity-40"
        >
          {playing ? <Pause size={17} /> : <Play size={17} className="translate-x-px" />}
        </button>
        <SignButton name="One stitch on (.)" disabled={off} onClick={() => stepBy(1)}>
          <ChevronRight size={17} />
        </SignButton>
        <SignButton name="All sewn" disabled={off} onClick={() => useView.setState({ playhead: null, playing: false })}>
          <SkipForward size={16} />
        </SignButton>
      </div>
      <div role="group" aria-label="Stitches per second" className="grid grid-cols-4 overflow-hidden rounded-md border border-edge">
        {SPEEDS.map((s) => (
          <button
            key={s}
            type="button"
            aria-pressed={speed === s}
            aria-label={`${s} stitches a second`}
            onClick={() => useView.setState({ speed: s })}
            className={`figures h-6 border-r border-hairline text-xs last:border-r-0 ${speed === s ? 'bg-tape' : 'hover:bg-tape-soft'}`}
          >
            {s}
          </button>
        ))}
      </div>
      <p className="text-center text-xs text-quiet">stitches a second</p>
      <p className="figures mt-auto text-center" data-testid="play-position">
        {(playhead ?? total).toLocaleString('en')} <span className="text-quiet">/ {total.toLocaleString('en')}</span>
      </p>
    </div>
  );
}
