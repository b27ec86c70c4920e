'use client';
import { said } from '@/session/view/unitsStore';
import dynamic from 'next/dynamic';
import type { ApexOptions } from 'apexcharts';
import { HEAT_STEPS } from '@/core/render/heat';
import type { Histogram } from '@/core/stitches/weight';

const Chart = dynamic(() => import('react-apexcharts'), { ssr: false });

const hexOf = (layers: number): string => {
  const step = [...HEAT_STEPS].reverse().find((s) => layers >= s.from) ?? HEAT_STEPS[0]!;
  return `rgb(${step.rgb.r}, ${step.rgb.g}, ${step.rgb.b})`;
};

/** How much of the work lies under how many layers of thread. */
export function WeightHistogram({ histogram: { stepLayers, areasMm2 } }: { histogram: Histogram }) {
  const options: ApexOptions = {
    chart: { id: 'layers', toolbar: { show: false }, animations: { enabled: false }, fontFamily: 'inherit', parentHeightOffset: 0 },
    plotOptions: { bar: { columnWidth: '96%', distributed: true } },
    colors: areasMm2.map((_, i) => hexOf(i * stepLayers)),
    dataLabels: { enabled: false },
    legend: { show: false },
    grid: { borderColor: '#d8dcd6', padding: { left: 4, right: 0, top: -18, bottom: -8 } },
    xaxis: {
      categories: areasMm2.map((_, i) => (i * stepLayers).toString()),
      tickAmount: 6,
      labels: { rotate: 0, style: { fontSize: '12px', colors: '#55636a' } },
      axisTicks: { show: false },
    },
    yaxis: { labels: { formatter: (v) => v.toFixed(0), style: { fontSize: '12px', colors: '#55636a' } } },
    tooltip: {
      x: { formatter: (v) => `${v} layers and more` },
      y: { formatter: (v) => said(`${v.toFixed(0)} mm²`), title: { formatter: () => '' } },
    },
  };
  return (
    <div
      data-testid="weight-histogram"
      role="img"
      aria-label={`Area by layers of thread: ${areasMm2.map((a) => said(`${a.toFixed(0)} mm²`)).join(', ')}`}
    >
      <Chart type="bar" height={110} width="100%" options={options} series={[{ name: 'area', data: areasMm2.map((a) => Math.round(a)) }]} />
    </div>
  );
}
