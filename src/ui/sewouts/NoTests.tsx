import { useRouter } from 'next/navigation';
import { toast } from '@/session/notice';
import { dayOf } from '@/core/document/folder';
import { useJob } from '@/session/job/jobStore';
import { Button } from '../components/Button';
import { placeHref } from '../places';
import { newCard } from './newCard';
import { CardSheet } from './panels/CardSheet';

/** Nothing was sewn yet: what a test gives, in three steps. */
export function NoTests({ card, onLog, onFinder }: { card: boolean; onLog(): void; onFinder(): void }) {
  const job = useJob((s) => s.job!);
  const router = useRouter();
  const sampler = async (): Promise<void> => {
    try {
      router.push(placeHref(await newCard(job.brief), 'sewouts'));
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  return (
    <section className="mx-auto grid max-w-[680px] gap-5 px-6 py-8">
      <div>
        <h1 className="text-xl font-semibold">What did the cloth say?</h1>
        <p className="mt-1 text-quiet">
          {card
            ? 'Sew this card once on the cloth, as you would a job. Then lay the ruler where it says.'
            : 'Sew it once on the same cloth, in a bright thread that shows faults. Then note here what you see.'}
        </p>
      </div>
      <ol className="grid gap-3">
        {[
          [
            'Log the test',
            'What was sewn is frozen with it, with stabilizer, hooping, needle and speed. Under a minute, also on a phone beside the machine.',
          ],
          ['Mark what you see', 'Lay a photo over the plan and drag across a gap, or type what the ruler says. No photo is needed.'],
          [
            'Correct, and learn',
            'Each mark gets its likeliest causes with reasons, and a correction that you can look at before it is made. What you measured also teaches the forecast of this cloth.',
          ],
        ].map(([title, words], i) => (
          <li key={title} className="grid grid-cols-[36px_1fr] gap-3">
            <span className="figures grid h-8 w-8 place-items-center rounded-full border border-ink bg-tape text-lg font-semibold">
              {i + 1}
            </span>
            <span>
              <span className="block font-semibold">{title}</span>
              <span className="text-quiet">{words}</span>
            </span>
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap gap-2">
        <Button look="primary" onClick={onLog}>
          Log a sew-out
        </Button>
        <Button onClick={onFinder}>Find a fault</Button>
        {card && <CardSheet job={job} on={dayOf(new Date())} />}
        {!card && <Button onClick={() => void sampler()}>Make a calibration card for this cloth</Button>}
      </div>
    </section>
  );
}
