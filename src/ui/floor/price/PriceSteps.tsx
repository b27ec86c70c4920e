'use client';
import dynamic from 'next/dynamic';
import type { ApexOptions } from 'apexcharts';
import { ladderOf, type Price } from '@/core/production/price';

const Chart = dynamic(() => import('react-apexcharts'), { ssr: false });

const NAMES: Record<Price['steps'][number]['key'], string> = {
  sewing: 'Sewing',
  break: 'Quantity',
  garments: 'Garments',
  digitizing: 'Digitizing',
  setUp: 'Setting up',
  margin: 'Margin',
  rush: 'Soon',
};

/** From nothing to the price: each step stands on the one before. */
export function PriceSteps({ price }: { price: Price }) {
  const bars = ladderOf(price).map(({ key, from, to }) => ({
    x: NAMES[key],
    y: [Math.min(from, to), Math.max(from, to)],
    fillColor: to < from ? '#2f6b4f' : '#8fa39c',
  }));
  bars.push({ x: 'Price', y: [0, price.total], fillColor: '#f2c230' });
  const options: ApexOptions = {
    chart: { id: 'price', toolbar: { show: false }, animations: { enabled: false }, fontFamily: 'inherit', parentHeightOffset: 0 },
    plotOptions: { bar: { columnWidth: '72%', borderRadius: 0 } },
    dataLabels: { enabled: false },
    fill: { opacity: 1 },
    legend: { show: false },
    grid: { borderColor: '#d8dcd6', padding: { top: -12, bottom: 0, left: 8, right: 0 } },
    xaxis: { labels: { rotate: 0, style: { fontSize: '12px', colors: '#55636a' } }, axisTicks: { show: false } },
    yaxis: { labels: { formatter: (v) => v.toFixed(0), style: { fontSize: '12px', colors: '#55636a' } } },
    tooltip: { enabled: false },
  };
  return (
    <section aria-label="Step by step">
      <h2 className="mb-1 font-semibold">Step by step</h2>
      <div role="img" aria-label={`Steps to the price of ${price.total.toFixed(2)}`} data-testid="price-steps">
        <Chart type="rangeBar" height={200} width="100%" options={options} series={[{ name: 'price', data: bars }]} />
      </div>
      <table className="mt-2 w-full border-collapse">
        <tbody>
          {price.steps.map((s) => (
            <tr key={s.key} className="border-b border-hairline">
              <td className="py-1.5">{s.words}</td>
              <td className={`figures py-1.5 text-right ${s.amount < 0 ? 'text-good' : ''}`}>{s.amount.toFixed(2)}</td>
            </tr>
          ))}
          <tr>
            <td className="py-1.5 font-semibold">Price</td>
            <td className="figures py-1.5 text-right font-semibold" data-testid="price-total">
              {price.total.toFixed(2)}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  );
}
