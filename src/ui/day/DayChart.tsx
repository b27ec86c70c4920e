'use client';
import dynamic from 'next/dynamic';
import type { ApexOptions } from 'apexcharts';
import { clockAt } from '@/core/production/workClock';
import type { LinedUp } from '@/session/shop/dayStore';
import { useLibrary } from '@/session/shop/libraryStore';
import { clockWords } from './clockWords';

const Chart = dynamic(() => import('react-apexcharts'), { ssr: false });

/** Machines below each other, jobs along the working time. */
export function DayChart({ lined, from }: { lined: LinedUp; from: Date }) {
  const shop = useLibrary((s) => s.library.shop);
  const { machines, jobs, best } = lined;
  const clock = (minutes: number): string => clockWords(clockAt(from, minutes, shop), from);
  const bars = best.slots.flatMap((s) => {
    const machine = machines[s.machine]!.profile.name;
    const setting = s.sews > s.from ? [{ x: machine, y: [s.from, s.sews], fillColor: '#c6d0cb', name: 'Setting up' }] : [];
    return [
      ...setting,
      {
        x: machine,
        y: [s.sews, s.to],
        fillColor: s.lateBy > 0 ? '#d98a94' : s.job % 2 === 0 ? '#f2c230' : '#e6d28a',
        name: jobs[s.job]!.name,
      },
    ];
  });
  const options: ApexOptions = {
    chart: { id: 'day', toolbar: { show: false }, animations: { enabled: false }, fontFamily: 'inherit', parentHeightOffset: 0 },
    plotOptions: { bar: { horizontal: true, barHeight: '60%', rangeBarGroupRows: true } },
    fill: { opacity: 1 },
    stroke: { width: 1, colors: ['#fcfcfa'] },
    dataLabels: {
      enabled: true,
      style: { fontSize: '12px', colors: ['#1d282c'], fontWeight: 400 },
      formatter: (_, { dataPointIndex }: { dataPointIndex: number }) => {
        const bar = bars[dataPointIndex]!;
        return bar.y[1]! - bar.y[0]! > best.ends / 12 ? bar.name : '';
      },
    },
    legend: { show: false },
    grid: { borderColor: '#d8dcd6', xaxis: { lines: { show: true } }, yaxis: { lines: { show: false } } },
    xaxis: { type: 'numeric', min: 0, labels: { formatter: (v) => clock(Number(v)), style: { fontSize: '12px', colors: '#55636a' } } },
    yaxis: { labels: { maxWidth: 190, style: { fontSize: '12px', colors: '#1d282c' } } },
    tooltip: { enabled: false },
  };
  const said = best.slots
    .map((s) => `${jobs[s.job]!.name} on ${machines[s.machine]!.profile.name} from ${clock(s.sews)} to ${clock(s.to)}`)
    .join('; ');
  return (
    <section aria-label="Machines by the clock" className="rounded-md border border-hairline bg-panel p-3">
      <div role="img" aria-label={said} data-testid="day-chart">
        <Chart
          type="rangeBar"
          height={70 + 56 * machines.length}
          width="100%"
          options={options}
          series={[{ name: 'work', data: bars.map(({ x, y, fillColor }) => ({ x, y, fillColor })) }]}
        />
      </div>
    </section>
  );
}
