import { said } from '@/session/view/unitsStore';
import type { Term } from '@/core/gallery/glossary';
import { useSewnSample } from './useSewnSample';

/** What a word of the craft means, with a sample of it as the engine sews it. */
export function SewnTerm({ term }: { term: Term }) {
  const { place, made } = useSewnSample<HTMLDivElement>(term.shows);
  return (
    <>
      <div ref={place} className="grid aspect-[17/12] place-items-center overflow-hidden rounded-t-md bg-paper text-xs text-quiet">
        {}
        {made ? <img src={made.url} alt={`${term.term}, sewn`} className="h-full w-full object-cover" /> : 'sewing …'}
      </div>
      <div className="p-3">
        <h2 className="text-lg font-semibold">{term.term}</h2>
        <p className="leading-snug">{said(term.says)}</p>
      </div>
    </>
  );
}
