'use client';
import { useEffect } from 'react';
import { readRegions, useRegions } from './pickRegion';

/** Regions of the artwork, to be picked. */
export function RegionMarks() {
  const { regions, picked } = useRegions();
  useEffect(() => void readRegions(), []);
  return (
    <g data-testid="regions" data-count={regions.length}>
      {regions.map((r, i) => (
        <path
          key={i}
          d={r.data}
          fillRule="evenodd"
          fill={r.strokeWidthMm === null ? r.hex : 'none'}
          fillOpacity={picked.includes(i) ? 0.95 : 0.55}
          stroke={picked.includes(i) ? '#f2c230' : '#1d282c'}
          strokeWidth={picked.includes(i) ? 4 : 1.2}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </g>
  );
}
