import { COMPARE_ROWS, type CompareRow } from '@/core/compare/side';
import type { Compared } from '@/workers/protocol/engine';
import { Sign } from '../components/Sign';

const written = (value: number, { decimals }: CompareRow): string =>
  value.toLocaleString('en', { minimumFractionDigits: decimals, maximumFractionDigits: decimals });

/** Difference as it is read, judged by what is written: what looks alike is alike. */
function difference(row: CompareRow, a: number, b: number): { text: string; better: boolean | null } {
  const factor = 10 ** row.decimals;
  const d = (Math.round(b * factor) - Math.round(a * factor)) / factor;
  if (d === 0) return { text: '=', better: null };
  return {
    text: `${d > 0 ? '+' : '−'}${written(Math.abs(d), row)}`,
    better: row.lessIsBetter === null ? null : d < 0 === row.lessIsBetter,
  };
}

/** Every figure of both sides, and the difference; better ones are told by a tick, worse ones by a wedge. */
export function FigureTable({ result: { a, b } }: { result: Compared }) {
  return (
    <table className="w-full border-collapse" data-testid="compare-figures">
      <thead>
        <tr className="border-b border-ink text-left">
          <th className="py-1 font-semibold" scope="col">
            Figure
          </th>
          {['Left', 'Right', 'Difference'].map((name) => (
            <th key={name} className="py-1 text-right font-semibold" scope="col">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {COMPARE_ROWS.map((row) => {
          const [left, right] = [a.figures[row.key] ?? 0, b.figures[row.key] ?? 0];
          const { text, better } = difference(row, left, right);
          return (
            <tr key={row.key} className="border-b border-hairline" data-row={row.key}>
              <th scope="row" className="py-[3px] text-left font-normal">
                {row.name}
                {row.unit && <span className="text-quiet"> {row.unit}</span>}
              </th>
              <td className="figures text-right">{written(left, row)}</td>
              <td className="figures text-right">{written(right, row)}</td>
              <td className={`figures text-right ${better === true ? 'text-good' : better === false ? 'text-warn' : 'text-quiet'}`}>
                {text}
                <span
                  className="inline-block w-5 text-center"
                  {...(better === null ? {} : { role: 'img', 'aria-label': better ? 'better' : 'worse' })}
                >
                  {better !== null && <Sign of={better ? 'good' : 'warn'} size={11} />}
                </span>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
