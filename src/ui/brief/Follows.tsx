import { lengthText, said } from '@/session/view/unitsStore';
import { recipeFor, stabilizerFor } from '@/core/cloth/house';
import type { Brief, JobSettings } from '@/core/document/types';
import { rowsPerInch } from '@/core/units/length';
import { WhatIsThis } from '../words/WhatIsThis';

/** What the chosen cloth asks for: the recipe in words and figures. */
export function Follows({ brief, settings }: { brief: Brief; settings: JobSettings }) {
  const r = recipeFor(brief);
  const rows: [name: string, value: string, term?: string][] = [
    ['Pull compensation', `${lengthText(r.pullComp, 2)} at each end of a row`, 'pull'],
    ['Fill rows', `${lengthText(r.fillSpacing, 2)} apart · ${rowsPerInch(r.fillSpacing).toFixed(1)} rows per inch`, 'spacing'],
    ['Satin rows', `${lengthText(r.satinSpacing, 2)} apart`, 'satin'],
    [said('Under satins of 3 mm and more'), r.satinFoundation.map((k) => k.replace('-', ' ')).join(' + '), 'underlay'],
    ['Under fills', [...new Set(r.fillFoundation)].map((k) => k.replace('-', ' ')).join(' + '), 'lattice'],
    ['Stabilizer', stabilizerFor(r, settings)],
    ['Topping', r.topping, 'topping'],
    ['Needle', r.needle],
    ['Speed', `${r.speed} stitches a minute`],
  ];
  return (
    <aside aria-labelledby="follows" className="self-start rounded-md border border-hairline bg-panel">
      <div className="h-3 rounded-t-md border-b border-hairline" style={{ backgroundColor: brief.clothHex ?? r.hex }} />
      <div className="p-5">
        <h2 id="follows" className="text-lg font-semibold">
          What follows from {r.name.charAt(0).toLowerCase() + r.name.slice(1)}
        </h2>
        <p className="mb-3 text-quiet">Starting values. What you set by hand on a piece, and what your own sew-outs say, outranks them.</p>
        <dl className="divide-y divide-hairline">
          {rows.map(([name, value, term]) => (
            <div key={name} className="flex justify-between gap-4 py-1.5">
              <dt className="flex items-center gap-1.5 text-quiet">
                {name}
                {term && <WhatIsThis term={term} />}
              </dt>
              <dd className="text-right">{value}</dd>
            </div>
          ))}
        </dl>
      </div>
    </aside>
  );
}
