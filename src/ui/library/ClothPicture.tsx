'use client';
import { useEffect, useState } from 'react';
import type { ClothRecipe } from '@/core/cloth/recipes';
import type { Brief } from '@/core/document/types';
import type { SampleWidth } from '@/core/gallery/clothSample';
import { lengthText } from '@/session/view/unitsStore';
import { engine } from '@/workers/client';
import type { EngineProtocol } from '@/workers/protocol/engine';
import { CrossSection } from '../components/CrossSection';
import { WhatIsThis } from '../words/WhatIsThis';

const PIXELS_PER_MM = 16;

type Sewn = EngineProtocol['clothSample']['out'] & { url: string; key: string };

/** The standard sample as this cloth is sewn on now; the one before stays to be seen until it is made. */
function useClothSample(brief: Pick<Brief, 'cloth' | 'recipe'>): { made: Sewn | null; isNow: boolean; problem: string | null } {
  const key = JSON.stringify(brief);
  const [made, setMade] = useState<Sewn | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    const control = new AbortController();
    engine
      .call('clothSample', { brief: JSON.parse(key) as typeof brief, scale: PIXELS_PER_MM }, { signal: control.signal })
      .then((sewn) => {
        setProblem(null);
        setMade({ ...sewn, key, url: URL.createObjectURL(sewn.png) });
      })
      .catch((error: Error) => error.name !== 'AbortError' && setProblem(error.message));
    return () => control.abort();
  }, [key]);
  const url = made?.url;
  useEffect(() => () => void (url && URL.revokeObjectURL(url)), [url]);
  return { made, isNow: made?.key === key, problem };
}

/** A cloth as it looks with the standard sample sewn on it, cut across, and what it does to the widths. */
export function ClothPicture({ brief, recipe }: { brief: Pick<Brief, 'cloth' | 'recipe'>; recipe: ClothRecipe }) {
  const { made, isNow, problem } = useClothSample(brief);
  if (problem) return <p role="alert">The sample could not be sewn: {problem}</p>;
  return (
    <div className={`mb-5 grid gap-5 lg:grid-cols-[1fr_272px] ${isNow ? '' : 'opacity-60'}`} data-testid="cloth-sample" data-fresh={isNow}>
      <div className="aspect-[17/12] overflow-hidden rounded-md border border-hairline bg-paper">
        {made ? (
          <img src={made.url} alt={`The standard sample sewn on ${recipe.name}`} className="h-full w-full object-cover" />
        ) : (
          <p className="grid h-full place-items-center text-quiet" role="status">
            Sewing the sample …
          </p>
        )}
      </div>
      {made && (
        <div>
          <h3 className="font-semibold">A column drawn {lengthText(made.widths.column.drawnMm)}</h3>
          <CrossSection
            isLine={false}
            planned={made.column}
            thread={made.thread}
            cloth={{ key: brief.cloth, hex: recipe.hex }}
            stabilizer={recipe.stabilizer}
            topping={recipe.topping}
          />
          <Widths of={made.widths} />
        </div>
      )}
    </div>
  );
}

const ROWS = [
  ['column', 'Column'],
  ['field', 'Fill'],
] as const;

function Widths({ of }: { of: Record<'column' | 'field', SampleWidth> }) {
  return (
    <table className="mt-3 w-full text-right" data-testid="sample-widths">
      <thead>
        <tr className="border-b border-ink text-xs text-quiet">
          <th className="text-left font-normal">
            <span className="sr-only">Part</span>
          </th>
          <th className="font-normal">drawn</th>
          <th className="font-normal">comes out</th>
          <th className="font-normal">
            <span className="inline-flex items-center gap-1">
              without comp. <WhatIsThis term="pull" />
            </span>
          </th>
        </tr>
      </thead>
      <tbody>
        {ROWS.map(([key, name]) => (
          <tr key={key} className="border-b border-hairline">
            <th scope="row" className="py-1 text-left font-normal">
              {name}
            </th>
            <td className="figures">{lengthText(of[key].drawnMm, 2)}</td>
            <td className="figures font-semibold">{lengthText(of[key].outMm, 2)}</td>
            <td className="figures text-quiet">{lengthText(of[key].plainMm, 2)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
