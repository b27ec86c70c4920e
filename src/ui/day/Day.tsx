'use client';
import { useEffect } from 'react';
import { counted } from '@/core/units/count';
import { clockAt } from '@/core/production/workClock';
import { SET_UP_MINUTES } from '@/core/production/day';
import { gatherPick, lineUp, openDay, takeIntoDay, useDay, type LinedUp } from '@/session/shop/dayStore';
import { useLibrary } from '@/session/shop/libraryStore';
import { ShopFinder } from '../commands/ShopFinder';
import { Button } from '../components/Button';
import { DropAnywhere } from '../intake/DropAnywhere';
import { HomeLink } from '../components/HomeLink';
import { Tick } from '../components/Tick';
import { Figure } from '../floor/PartPage';
import { hoursOf } from '../floor/words';
import { DayChart } from './DayChart';
import { DayPick } from './DayPick';
import { clockWords, hourWords } from './clockWords';

/** The jobs that wait, lined up on the machines by when they are due. */
export function Day() {
  const state = useDay();
  const { jobs, taken, ready, lined } = state;
  const own = useLibrary((s) => s.library.machines);
  useEffect(() => void openDay(), []);
  useEffect(() => {
    if (ready) lineUp({ jobs, taken }, own);
  }, [jobs, taken, ready, own]);
  return (
    <div className="flex min-h-screen flex-col">
      <DropAnywhere />
      <header className="flex h-12 items-center gap-3 border-b border-hairline bg-panel px-4">
        <HomeLink />
        <h1 className="text-lg font-semibold">The day’s work</h1>
        <p className="hidden text-quiet lg:block">Jobs that wait, lined up on the machines: due ones first, then an early end.</p>
        <span className="ml-auto">
          <ShopFinder at="day" />
        </span>
      </header>
      <main className="mx-auto grid w-full max-w-[1180px] flex-1 content-start gap-6 px-4 py-6 sm:px-8">
        {state.problem && (
          <p role="alert" className="text-danger">
            {state.problem}
          </p>
        )}
        {!ready ? (
          <p role="status" className="text-quiet">
            Reading what lies on the shelf …
          </p>
        ) : jobs.length === 0 ? (
          <p>Nothing waits: every job is done, or none has been sewn yet. Open one from the shelf.</p>
        ) : (
          lined && <Lined lined={lined} />
        )}
      </main>
    </div>
  );
}

function Lined({ lined }: { lined: LinedUp }) {
  const { jobs, taken, from, pick, progress } = useDay();
  const shop = useLibrary((s) => s.library.shop);
  const { best, naive } = lined;
  return (
    <>
      <dl className="grid grid-cols-2 gap-4 sm:grid-cols-4">
        <Figure
          name="Done by"
          figure={clockWords(clockAt(from, best.ends, shop), from)}
          says={`${counted(lined.jobs.length, 'job')} on ${counted(lined.machines.length, 'machine')}`}
        />
        <Figure
          name="Late"
          figure={best.lateJobs === 0 ? 'none' : String(best.lateJobs)}
          says={best.lateJobs > 0 ? `${hoursOf(best.lateMinutes * 60)} in all` : 'every due day is kept'}
        />
        <Figure name="Working time" figure={hoursOf(best.ends * 60)} says="until the last machine is done" />
        <Figure
          name="As they came"
          figure={hoursOf(naive.ends * 60)}
          says={naive.lateJobs > best.lateJobs ? `${counted(naive.lateJobs, 'job')} late` : 'taking each as it came'}
        />
      </dl>
      <DayChart lined={lined} from={from} />
      <div className="grid items-start gap-6 lg:grid-cols-[1fr_360px]">
        <section aria-label="Jobs that wait">
          <h2 className="mb-2 font-semibold">Jobs that wait</h2>
          <ul>
            {jobs.map((job) => {
              const slot = best.slots.find((s) => lined.jobs[s.job]?.id === job.id);
              return (
                <li key={job.id} className="flex items-center gap-3 border-b border-hairline py-2">
                  <Tick name={job.name} on={taken.includes(job.id)} onChange={(on) => takeIntoDay(job.id, on)} />
                  <span className="ml-auto text-quiet">{job.brief.due ? `due ${job.brief.due}` : 'no day named'}</span>
                  <span className="figures w-24 text-right">{slot ? hoursOf((slot.to - slot.sews) * 60) : '–'}</span>
                  <span className={`w-40 text-right text-xs ${slot && slot.lateBy > 0 ? 'font-semibold text-danger' : 'text-quiet'}`}>
                    {slot
                      ? slot.lateBy > 0
                        ? `${hoursOf(slot.lateBy * 60)} late`
                        : `done ${clockWords(clockAt(from, slot.to, shop), from)}`
                      : 'not today'}
                  </span>
                </li>
              );
            })}
          </ul>
          {best.unplaced.length > 0 && (
            <p role="alert" className="mt-2 text-danger">
              No machine’s field holds the hoop of {best.unplaced.map((j) => lined.jobs[j]!.name).join(', ')}.
            </p>
          )}
          <p className="mt-3 max-w-[70ch] text-xs text-quiet">
            Taken for granted: a machine sews one job at a time, to its end; {SET_UP_MINUTES} minutes to set up for another cloth or needle;
            hooping and finishing as the Library has them; work from {hourWords(shop.opens)} to {hourWords(shop.closes)}. Hands are not
            shared out between machines.
          </p>
        </section>
        <section aria-label="Pick list">
          <div className="mb-2 flex items-center">
            <h2 className="flex-1 font-semibold">From the shelves, for all of it</h2>
            <Button disabled={progress !== null || best.slots.length === 0} onClick={() => void gatherPick(lined)}>
              {progress === null ? 'Gather' : `Counting … ${Math.round(progress * 100)} %`}
            </Button>
          </div>
          {pick ? <DayPick pick={pick} /> : <p className="text-quiet">Thread, bobbins, needles and stabilizer of all jobs as one list.</p>}
        </section>
      </div>
    </>
  );
}
