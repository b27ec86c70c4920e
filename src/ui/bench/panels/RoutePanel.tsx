'use client';
import { lengthText } from '@/session/view/unitsStore';
import { ArrowRight, X } from 'lucide-react';
import { ROUTE_POLICIES, type Job, type RoutePolicy } from '@/core/document/types';
import type { CutRemedy, ExplainedCut } from '@/core/plan/explain';
import type { RouteProposal } from '@/core/plan/proposeRoute';
import { formatClock } from '@/core/units/length';
import { centreOn } from '@/session/view/cameraStore';
import { useCuts, usePlan } from '@/session/derived/planStore';
import {
  addBridge,
  allowTravel,
  cancelSearch,
  closeRoute,
  freeEnds,
  searchRoute,
  takeProposal,
  useRoute,
} from '@/session/derived/routeStore';
import { useView } from '@/session/view/viewStore';
import { Button, SignButton } from '../../components/Button';
import { seek } from '../threadline/player';
import { WhatIsThis } from '../../words/WhatIsThis';

const POLICY_WORDS: Record<RoutePolicy, { name: string; why: string }> = {
  registration: { name: 'Best registration', why: 'outlines soon after their fills, even at the price of a stop' },
  stops: { name: 'Fewest stops', why: 'least machine time' },
  cap: { name: 'Cap', why: 'from the lowest row up, from the middle out' },
  sections: { name: 'Part by part', why: 'large work: one part done before the next' },
};

const REMEDY_WORDS: Record<Exclude<CutRemedy, 'reorder'>, string> = {
  'free-ends': 'Let the ends go',
  'allow-travel': 'Sew across',
  bridge: 'Add a bridge',
};

/** The needle's path: a better order to be had, and every cut with its reason and what would save it. */
export function RoutePanel({ job }: { job: Job }) {
  const { policy, progress, proposal, problem } = useRoute();
  const cuts = useCuts();
  const between = cuts.filter((c) => c.reason !== 'end');
  const changes = between.filter((c) => c.reason === 'thread').length;
  return (
    <section aria-label="The path" className="p-4" data-testid="route-panel">
      <div className="flex items-center">
        <h2 className="flex-1 text-lg font-semibold">The path</h2>
        <SignButton name="Close" onClick={closeRoute}>
          <X size={16} />
        </SignButton>
      </div>
      <fieldset className="mt-1">
        <legend className="text-quiet">Seek an order for</legend>
        {ROUTE_POLICIES.map((p) => (
          <label key={p} className="flex items-start gap-2 py-1">
            <input
              type="radio"
              name="policy"
              className="mt-0.5 h-4 w-4 accent-[#1d282c]"
              checked={policy === p}
              onChange={() => useRoute.setState({ policy: p, proposal: null })}
            />
            <span className="leading-tight">
              <span className="font-semibold">{POLICY_WORDS[p].name}</span>
              <span className="block text-xs text-quiet">{POLICY_WORDS[p].why}</span>
            </span>
          </label>
        ))}
      </fieldset>
      {progress === null ? (
        <Button
          className="mt-2 w-full"
          look={proposal ? 'plain' : 'primary'}
          disabled={job.pieces.length < 2}
          onClick={() => void searchRoute()}
        >
          Look for a better order
        </Button>
      ) : (
        <div role="status" className="mt-2 flex items-center gap-2">
          <span className="figures flex-1">Looking … {Math.round(progress * 100)} %</span>
          <Button dense onClick={cancelSearch}>
            Cancel
          </Button>
        </div>
      )}
      {problem && (
        <p role="alert" className="mt-2 text-danger">
          {problem}
        </p>
      )}
      {proposal && <Proposal proposal={proposal} />}
      <h3 className="mt-4 flex items-center gap-1.5 font-semibold">
        {between.length === 0 ? 'No cut before the end' : `${between.length} ${between.length === 1 ? 'cut' : 'cuts'} before the end`}
        <WhatIsThis term="trim" />
      </h3>
      <ol>
        {between
          .filter((c) => c.reason !== 'thread')
          .map((c) => (
            <Cut key={c.event} cut={c} />
          ))}
      </ol>
      {changes > 0 && (
        <p className="border-t border-hairline py-1.5 text-quiet">
          {changes} of them {changes === 1 ? 'is a thread change' : 'are thread changes'}: fewer only by another order.
        </p>
      )}
    </section>
  );
}

function Proposal({ proposal: { before, after, better, trade, aim, policy } }: { proposal: RouteProposal }) {
  if (!better && !trade) {
    return (
      <p className="mt-2 rounded-md border border-hairline p-2" data-testid="no-better">
        No better order was found: what you have is kept.
      </p>
    );
  }
  const rows: [string, string, string][] = [
    ['trims', String(before.trims), String(after.trims)],
    ['stops', String(before.colourChanges + before.handStops), String(after.colourChanges + after.handStops)],
    ['stitches', before.stitches.toLocaleString('en'), after.stitches.toLocaleString('en')],
    ['longest move', `${lengthText(before.longestMoveMm, 0)}`, `${lengthText(after.longestMoveMm, 0)}`],
    ['time', `${formatClock(before.runSeconds)} min`, `${formatClock(after.runSeconds)} min`],
  ];
  return (
    <div className="mt-3 rounded-md border border-edge p-2" data-testid="proposal">
      {trade && (
        <p className="mb-1 leading-tight">
          <span className="font-semibold">A trade, not a saving.</span> It costs more on the machine, for what is named below.
        </p>
      )}
      <table className="w-full">
        <thead className="sr-only">
          <tr>
            <th>Figure</th>
            <th>Now</th>
            <th>Then</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, now, then]) => (
            <tr key={name}>
              <td className="whitespace-nowrap text-quiet">{name}</td>
              <td className="figures text-right whitespace-nowrap">{now}</td>
              <td className={`figures text-right whitespace-nowrap ${now === then ? '' : 'font-semibold'}`}>
                <ArrowRight size={11} className="mr-1 inline text-quiet" aria-hidden="true" />
                {then}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {aim.after < aim.before && policy === 'registration' && (
        <p className="mt-1 text-xs text-quiet">Outlines follow their fills sooner.</p>
      )}
      {aim.after < aim.before && policy === 'cap' && (
        <p className="mt-1 text-xs text-quiet">Fewer steps down or inward, outlines sooner.</p>
      )}
      {aim.after < aim.before && policy === 'sections' && <p className="mt-1 text-xs text-quiet">Less going to and fro between parts.</p>}
      <Button look={trade ? 'plain' : 'primary'} className="mt-2 w-full" onClick={takeProposal}>
        Take this order
      </Button>
    </div>
  );
}

function Cut({ cut }: { cut: ExplainedCut }) {
  const link = usePlan((s) => (cut.to === null ? null : s.planned?.plan.pieces[cut.to]?.link)) ?? null;
  const solve = (remedy: CutRemedy): void => {
    if (remedy === 'free-ends') freeEnds(cut);
    else if (remedy === 'allow-travel') allowTravel(cut);
    else if (remedy === 'bridge' && link) addBridge(cut, link.leaves, link.arrives);
  };
  const show = (): void => {
    seek(cut.event + 1);
    centreOn(cut.at);
    useView.setState({ look: 'path' });
  };
  return (
    <li className="border-t border-hairline py-1.5" data-cut={cut.reason}>
      <button type="button" className="text-left leading-tight hover:underline" onClick={show}>
        {cut.words.charAt(0).toUpperCase() + cut.words.slice(1)}
      </button>
      {cut.remedies.some((r) => r !== 'reorder') && (
        <p className="mt-1 flex flex-wrap items-center gap-1">
          {cut.remedies.map((r) =>
            r === 'reorder' ? null : (
              <Button key={r} dense onClick={() => solve(r)}>
                {REMEDY_WORDS[r]}
              </Button>
            ),
          )}
          {cut.shownMm > 0.5 && <span className="figures text-xs text-quiet">{lengthText(cut.shownMm)} would show</span>}
        </p>
      )}
    </li>
  );
}
