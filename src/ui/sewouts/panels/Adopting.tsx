import { lengthText } from '@/session/view/unitsStore';
import { useEffect, useState } from 'react';
import { toast } from '@/session/notice';
import { briefRecipe, recipeFor } from '@/core/cloth/house';
import type { Job } from '@/core/document/types';
import { adoptedRecipe } from '@/core/sewouts/learn/adopt';
import type { Learned } from '@/core/sewouts/learn/learn';
import { changeBrief } from '@/session/edit/commands';
import { alteredBy, applyTo, putRecipe } from '@/session/shop/libraryStore';
import { useJob } from '@/session/job/jobStore';
import { Button } from '../../components/Button';

/** Takes what was learned into the shop's recipe; nothing changes by itself, and jobs that would are listed with how much. */
export function Adopting({ job, learned, name }: { job: Job; learned: Learned; name: string }) {
  const recipe = adoptedRecipe(job, learned);
  const now = recipeFor(job.brief);
  const [jobs, setJobs] = useState<Job[] | null>(null);
  const text = JSON.stringify(recipe);
  useEffect(() => {
    let gone = false;
    void useJob
      .getState()
      .flush()
      .then(() => alteredBy(JSON.parse(text) as typeof recipe))
      .then((all) => !gone && setJobs(all))
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [text]);
  const same = JSON.stringify(job.brief.recipe?.learned) === JSON.stringify(recipe.learned);
  const others = (jobs ?? []).filter((j) => j.id !== job.id);
  const adopt = async (): Promise<void> => {
    try {
      await putRecipe(recipe);
      const problem = changeBrief('Take what was learned', briefRecipe(recipe));
      if (problem) toast.error(problem);
      else toast.success(`${name} is as your sew-outs have it. New jobs begin with it.`);
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  const give = async (): Promise<void> => {
    await applyTo(
      recipe,
      others.map((j) => j.id),
    );
    setJobs([]);
  };
  return (
    <section aria-label="The shop’s recipe" className="grid gap-2 border-t border-hairline pt-3">
      <h2 className="font-semibold">The shop’s recipe of {name.toLowerCase()}</h2>
      <p>
        Compensation <span className="figures">{now.pullComp.toFixed(2)}</span> →{' '}
        <span className="figures font-semibold">{lengthText(recipe.pullComp!, 2)}</span>
      </p>
      <Button look="primary" disabled={same} onClick={() => void adopt()}>
        {same ? 'Adopted' : 'Adopt it, here and for new jobs'}
      </Button>
      {others.length > 0 && (
        <>
          <p className="text-quiet">Other jobs that it would change:</p>
          <ul className="grid gap-1">
            {others.map((j) => (
              <li key={j.id} className="flex gap-2">
                <span className="min-w-0 flex-1 truncate">{j.name}</span>
                <span className="figures">
                  {recipeFor(j.brief).pullComp.toFixed(2)} → {lengthText(recipe.pullComp!, 2)}
                </span>
              </li>
            ))}
          </ul>
          <Button disabled={!same} onClick={() => void give()}>
            Give it to {others.length === 1 ? 'this job' : `these ${others.length} jobs`}
          </Button>
        </>
      )}
    </section>
  );
}
