'use client';
import { useState } from 'react';
import { HoopPanel } from './HoopPanel';
import { HoopView } from './HoopView';

/** Copies in the hoop: seen at scale, dragged, counted. */
export function HoopPart() {
  const [chosen, setChosen] = useState<number | null>(null);
  return (
    <div className="flex h-full max-sm:flex-col max-sm:overflow-auto">
      <HoopView chosen={chosen} onChoose={setChosen} />
      <HoopPanel chosen={chosen} onChoose={setChosen} />
    </div>
  );
}
