'use client';
import { said } from '@/session/view/unitsStore';
import { writeThreadList } from '@/core/formats/threadList';
import { counted } from '@/core/units/count';
import type { FloorView } from '@/workers/protocol/engine';
import { download, fileStem } from '@/platform/files';
import { useJob } from '@/session/job/jobStore';
import { Button } from '../../components/Button';
import { Swatch } from '../../components/Swatch';

/** Everything that is taken from the shelves for the quantity. */
export function PickTable({ view }: { view: FloorView }) {
  const { materials: m, needles } = view;
  const name = useJob((s) => s.job!.name);
  const others = [
    { name: 'Bobbins', amount: counted(m.bobbins, 'bobbin'), says: `${m.bobbinM.toFixed(0)} m of thread beneath` },
    ...needles.map((n) => ({ name: `Needles ${n.needle}`, amount: String(n.count), says: n.why })),
    { name: 'Stabilizer', amount: `${m.stabilizerM2.toFixed(2)} m²`, says: m.stabilizer },
    ...(m.toppingM2 > 0 ? [{ name: 'Topping', amount: `${m.toppingM2.toFixed(2)} m²`, says: m.topping }] : []),
    ...(m.foamM2 > 0
      ? [{ name: 'Foam', amount: `${m.foamM2.toFixed(2)} m²`, says: said('cut 5 mm larger all round, in the colour next to the thread’s') }]
      : []),
  ];
  return (
    <section aria-label="From the shelves">
      <div className="mb-2 flex items-center">
        <h2 className="flex-1 font-semibold">From the shelves</h2>
        <Button
          dense
          onClick={() => download(`${fileStem(name)}-threads.csv`, new Blob([writeThreadList(m.thread)], { type: 'text/csv' }))}
        >
          Thread list .csv
        </Button>
      </div>
      {/* In the order in which the machine asks for them. */}
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-b border-edge text-left text-quiet">
            <th className="py-1 font-normal">Thread</th>
            <th className="py-1 text-right font-normal">Metres</th>
            <th className="py-1 text-right font-normal">Cones</th>
          </tr>
        </thead>
        <tbody>
          {m.thread.map((t, i) => (
            <tr key={`${t.code} ${t.weight}`} className="border-b border-hairline">
              <td className="py-1.5">
                <span className="flex items-center gap-2">
                  <Swatch hex={t.hex} number={i + 1} title={t.name} />
                  <span className="figures">{t.code}</span> {t.name}
                  <span className="text-quiet">{t.weight} wt</span>
                </span>
              </td>
              <td className="figures py-1.5 text-right">{t.metres.toFixed(0)}</td>
              <td className="figures py-1.5 text-right font-semibold">{t.cones}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ul className="mt-3">
        {others.map((o) => (
          <li key={o.name} className="flex items-baseline gap-3 border-b border-hairline py-1.5">
            <span className="w-[200px] shrink-0">{o.name}</span>
            <span className="flex-1 text-quiet">{o.says}</span>
            <span className="figures font-semibold">{o.amount}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
