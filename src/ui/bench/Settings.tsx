'use client';
import type { Piece, PieceSettings, RunStyle } from '@/core/document/types';
import { RANGES } from '@/core/document/ranges';
import type { Resolved } from '@/core/document/resolved';
import type { ResolvedSettings } from '@/core/pieces/resolve';
import { rowsPerInch, type LengthUnit } from '@/core/units/length';
import { setSetting } from '@/store/commands';
import { Choice } from '../components/Choice';
import { NumberField } from '../components/NumberField';
import { SettingRow } from './SettingRow';
import { UnderlayPicker } from './UnderlayPicker';

type NumberKey = 'spacing' | 'stitchLength' | 'angle' | 'pullComp' | 'passes' | 'satinLimit';

const LABELS: Record<NumberKey, string> = {
  angle: 'Direction',
  spacing: 'Spacing',
  stitchLength: 'Stitch length',
  pullComp: 'Pull comp.',
  passes: 'Passes',
  satinLimit: 'Satin limit',
};

/** Every setting of the chosen piece, edited in place. */
export function Settings({ piece, settings, units }: { piece: Piece; settings: ResolvedSettings; units: LengthUnit }) {
  const number = (key: NumberKey, resolved: Resolved<number> | undefined, decimals: number, aside?: string) =>
    resolved && (
      <SettingRow
        key={key}
        label={LABELS[key]}
        from={resolved.from}
        why={resolved.why}
        {...(aside ? { aside } : {})}
        onReset={() => setSetting(piece.id, key, undefined)}
      >
        <NumberField
          label={LABELS[key]}
          hideLabel
          value={resolved.value}
          unit={RANGES[key].unit}
          lengthUnit={units}
          min={RANGES[key].min}
          max={RANGES[key].max}
          step={RANGES[key].step}
          decimals={decimals}
          onCommit={(v) => setSetting(piece.id, key, v)}
        />
      </SettingRow>
    );
  return (
    <div className="border-b border-hairline">
      {settings.style && <StyleRow piece={piece} resolved={settings.style} />}
      {settings.style?.value === 'bean' && number('passes', settings.passes, 0)}
      {number('angle', settings.angle, 0)}
      {number(
        'spacing',
        settings.spacing,
        2,
        settings.spacing && `${rowsPerInch(settings.spacing.value).toFixed(1)} rows/in, smaller is denser`,
      )}
      {number('stitchLength', settings.stitchLength, 1)}
      {number('pullComp', settings.pullComp, 2)}
      {settings.underlay && (
        <SettingRow
          label="Underlay"
          from={settings.underlay.from}
          why={settings.underlay.why}
          onReset={() => setSetting(piece.id, 'underlay', undefined)}
        >
          <UnderlayPicker
            kind={piece.kind}
            layers={settings.underlay.value}
            onChange={(layers) => setSetting(piece.id, 'underlay', layers)}
          />
        </SettingRow>
      )}
      {settings.stagger && (
        <SettingRow
          label="Stagger"
          from={settings.stagger.from}
          why={settings.stagger.why}
          onReset={() => setSetting(piece.id, 'stagger', undefined)}
        >
          <Choice<NonNullable<PieceSettings['stagger']>>
            label="Stagger"
            hideLabel
            value={settings.stagger.value}
            options={[
              { value: 'mixed', name: 'Mixed' },
              { value: 'brick', name: 'Brick' },
              { value: 'quarter', name: 'Quarter' },
            ]}
            onChange={(v) => setSetting(piece.id, 'stagger', v)}
          />
        </SettingRow>
      )}
      {number('satinLimit', settings.satinLimit, 1)}
    </div>
  );
}

function StyleRow({ piece, resolved }: { piece: Piece; resolved: Resolved<RunStyle> }) {
  return (
    <SettingRow label="Style" from={resolved.from} why={resolved.why} onReset={() => setSetting(piece.id, 'style', undefined)}>
      <Choice<RunStyle>
        label="Style"
        hideLabel
        value={resolved.value}
        options={[
          { value: 'plain', name: 'Plain' },
          { value: 'double', name: 'Out and back' },
          { value: 'bean', name: 'Bean' },
        ]}
        onChange={(v) => setSetting(piece.id, 'style', v)}
      />
    </SettingRow>
  );
}
