'use client';
import { Ruler } from 'lucide-react';
import { lengthText } from '@/session/view/unitsStore';
import { toast } from '@/session/notice';
import { distance } from '@/core/geometry/point';
import { changeBrief } from '@/session/edit/commands';
import type { Survey } from '@/core/artwork/survey';
import { Button } from '../components/Button';
import { NumberField } from '../components/NumberField';
import type { Feature } from './HoopView';

interface Props {
  survey: Survey;
  picking: boolean;
  feature: Feature | null;
  onPicking(on: boolean): void;
}

const LEAST_MM = 0.3;

/** Scales the whole by one feature: 'this letter is 6 mm high'. */
export function ByFeature({ survey, picking, feature, onPicking }: Props) {
  const measured = feature ? distance(feature.from, feature.to) : 0;
  const scale = (mm: number): void => {
    const problem = changeBrief('Scale by a feature', { size: { width: Math.round(((survey.widthMm * mm) / measured) * 100) / 100 } });
    if (problem) toast.error(problem);
    else onPicking(false);
  };
  return (
    <div className="flex h-12 items-center gap-3 border-b border-hairline px-4" data-testid="by-feature">
      <Button dense look={picking ? 'primary' : 'plain'} aria-pressed={picking} onClick={() => onPicking(!picking)}>
        <Ruler size={14} aria-hidden="true" /> Scale by a feature
      </Button>
      {picking && measured < LEAST_MM && <p className="text-quiet">Drag along the feature on the artwork.</p>}
      {picking && measured >= LEAST_MM && (
        <>
          <p className="ml-auto whitespace-nowrap">
            is <span className="figures font-semibold">{lengthText(measured)}</span>, should be
          </p>
          <NumberField
            key={measured.toFixed(2)}
            label="Should be"
            hideLabel
            className="w-[96px]"
            value={Math.round(measured * 10) / 10}
            unit="mm"
            min={0.3}
            max={500}
            step={0.5}
            decimals={1}
            onCommit={scale}
          />
        </>
      )}
    </div>
  );
}
