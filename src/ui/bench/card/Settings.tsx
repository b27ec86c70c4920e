'use client';
import { useState } from 'react';
import {
  COLUMN_ENDS,
  CORNERS,
  RUN_STYLES,
  STAGGERS,
  TIE_SHAPES,
  type Piece,
  type PieceSettings,
  type UnderlayLayer,
} from '@/core/document/types';
import { RANGES } from '@/core/document/ranges';
import type { Resolved } from '@/core/document/resolved';
import { CORNER_WORDS, END_WORDS, STAGGER_WORDS, STYLE_WORDS, TIE_WORDS } from '@/core/document/words';
import type { ResolvedSettings } from '@/core/pieces/resolve';
import { parsePercent, parseSpacing, rowsPerInch, type LengthUnit } from '@/core/units/length';
import { setSetting, setSettings } from '@/session/edit/commands';
import { Choice } from '../../components/Choice';
import { NumberField } from '../../components/NumberField';
import { chooseLike } from './chooseLike';
import { useEffectOf, useEffectsOf } from './useEffectOf';
import { Openings } from './Openings';
import { SettingRow } from './SettingRow';
import { UnderlayLayers } from './UnderlayLayers';
import { UnderlayPicker } from './UnderlayPicker';

type NumberKey = Exclude<keyof typeof RANGES, 'width' | 'pullCompPercent'>;
type ChoiceKey = 'style' | 'corners' | 'ends' | 'stagger' | 'overLimit' | 'tieShape' | 'openings';

const NUMBERS: Record<NumberKey, { label: string; decimals: number }> = {
  angle: { label: 'Direction', decimals: 0 },
  spacing: { label: 'Spacing', decimals: 2 },
  spacingTo: { label: 'Opens to', decimals: 2 },
  stitchLength: { label: 'Stitch length', decimals: 1 },
  pullComp: { label: 'Pull comp.', decimals: 2 },
  pushComp: { label: 'Push comp.', decimals: 2 },
  passes: { label: 'Passes', decimals: 0 },
  zigzagWidth: { label: 'Zigzag width', decimals: 1 },
  motifSpacing: { label: 'Motif gap', decimals: 1 },
  satinLimit: { label: 'Satin limit', decimals: 1 },
  foam: { label: 'Foam', decimals: 1 },
  tieLength: { label: 'Tie length', decimals: 1 },
  tieCount: { label: 'Tie stitches', decimals: 0 },
};

const named = <T extends string>(keys: readonly T[], words: Record<T, string>): { value: T; name: string }[] =>
  keys.map((value) => ({ value, name: words[value] }));

const CHOICES: { [K in ChoiceKey]: { label: string; options: { value: NonNullable<PieceSettings[K]>; name: string }[] } } = {
  style: { label: 'Style', options: named(RUN_STYLES, STYLE_WORDS) },
  corners: { label: 'Corners', options: named(CORNERS, CORNER_WORDS) },
  ends: { label: 'Open ends', options: named(COLUMN_ENDS, END_WORDS) },
  stagger: { label: 'Stagger', options: named(STAGGERS, STAGGER_WORDS) },
  overLimit: { label: 'Over the limit', options: named(['split', 'fill'], { split: 'Split rows', fill: 'Sew as fill' }) },
  openings: { label: 'Openings', options: named(['carve', 'sew-over'], { carve: 'Left open', 'sew-over': 'Sewn over' }) },
  tieShape: { label: 'Ties', options: named(TIE_SHAPES, TIE_WORDS) },
};

/** What is shown at once, in this order, and what opens with 'More'. */
const FIRST = [
  'style',
  'passes',
  'zigzagWidth',
  'motifSpacing',
  'angle',
  'spacing',
  'spacingTo',
  'stitchLength',
  'pullComp',
  'pushComp',
  'underlay',
  'openings',
] as const;
const MORE = ['corners', 'ends', 'stagger', 'overLimit', 'satinLimit', 'foam', 'tieShape', 'tieLength', 'tieCount'] as const;

interface Props {
  /** All pieces that a change goes to. */
  ids: readonly string[];
  /** One that stands for them. */
  piece: Piece;
  settings: ResolvedSettings;
  units: LengthUnit;
}

/** Every setting of the chosen piece, edited in place. */
export function Settings(props: Props) {
  return (
    <div className="border-b border-hairline">
      {FIRST.map((key) => (
        <Setting key={key} name={key} {...props} />
      ))}
      {props.piece.kind === 'fill' && !props.settings.spacingTo && props.settings.spacing && (
        <button
          type="button"
          className="my-1 text-xs underline decoration-dotted underline-offset-2"
          onClick={() => setSetting(props.ids, 'spacingTo', Math.min(2, props.settings.spacing!.value * 3))}
        >
          Open gradually, for blending
        </button>
      )}
      <details className="border-t border-hairline py-1" data-testid="more-settings">
        <summary className="cursor-pointer py-1 text-quiet">Ends, corners, ties</summary>
        {MORE.map((key) => (
          <Setting key={key} name={key} {...props} />
        ))}
      </details>
    </div>
  );
}

function Setting({ name, ids, piece, settings, units }: Props & { name: (typeof FIRST)[number] | (typeof MORE)[number] }) {
  if (name === 'underlay') return <UnderlaySetting ids={ids} piece={piece} settings={settings} units={units} />;
  if (name === 'passes' && settings.style?.value !== 'bean') return null;
  const resolved = settings[name];
  if (!resolved) return null;
  if (name === 'openings') return <OpeningsSetting piece={piece} ids={ids} resolved={resolved as Resolved<'carve' | 'sew-over'>} />;
  if (name in CHOICES) return <ChoiceSetting name={name as ChoiceKey} ids={ids} piece={piece} resolved={resolved as Resolved<never>} />;
  return <NumberSetting name={name as NumberKey} ids={ids} piece={piece} units={units} resolved={resolved as Resolved<number>} />;
}

interface NumberProps extends Omit<Props, 'settings'> {
  name: NumberKey;
  resolved: Resolved<number>;
}

/** A number with its effect on the whole job while it is being typed. */
function NumberSetting({ name: key, ids, piece, units, resolved: number }: NumberProps) {
  const { label, decimals } = NUMBERS[key];
  const [draft, setDraft] = useState<number | null>(null);
  const effect = useEffectOf(ids, key, draft);
  const percent = (text: string): boolean => {
    const share = parsePercent(text);
    if (share === null || share < RANGES.pullCompPercent.min || share > RANGES.pullCompPercent.max) return false;
    setSettings(ids, { pullCompPercent: share, pullComp: undefined });
    return true;
  };
  const aside =
    key === 'spacing' && piece.kind !== 'run' ? `${rowsPerInch(number.value).toFixed(1)} rows/in, smaller is denser` : undefined;
  return (
    <SettingRow
      label={label}
      from={number.from}
      why={number.why}
      {...(aside ? { aside } : {})}
      effect={effect}
      onLike={() => chooseLike(piece.id, key)}
      onReset={() =>
        key === 'pullComp' ? setSettings(ids, { pullComp: undefined, pullCompPercent: undefined }) : setSetting(ids, key, undefined)
      }
    >
      <NumberField
        label={label}
        hideLabel
        value={number.value}
        unit={RANGES[key].unit}
        lengthUnit={units}
        min={RANGES[key].min}
        max={RANGES[key].max}
        step={RANGES[key].step}
        decimals={decimals}
        {...(key === 'spacing' || key === 'spacingTo' ? { parse: parseSpacing } : {})}
        {...(key === 'pullComp' ? { onText: percent } : {})}
        onDraft={setDraft}
        onCommit={(v) => setSetting(ids, key, v)}
      />
    </SettingRow>
  );
}

const NOTHING: readonly null[] = [];

/** One of a few ways; while the list is looked at each says what it would change in the whole job. */
function ChoiceSetting<K extends ChoiceKey>({
  name,
  ids,
  piece,
  resolved,
}: {
  name: K;
  ids: readonly string[];
  piece: Piece;
  resolved: Resolved<NonNullable<PieceSettings[K]>>;
}) {
  const { label, options } = CHOICES[name];
  const offered = name === 'stagger' && !piece.carve ? options.filter((o) => o.value !== 'carved') : options;
  const [looking, setLooking] = useState(false);
  const effects = useEffectsOf(ids, name, looking ? offered.map((o) => (o.value === resolved.value ? null : o.value)) : NOTHING);
  return (
    <SettingRow
      label={label}
      from={resolved.from}
      why={resolved.why}
      onLike={() => chooseLike(piece.id, name)}
      onReset={() => setSetting(ids, name, undefined)}
    >
      <Choice<NonNullable<PieceSettings[K]>>
        label={label}
        hideLabel
        value={resolved.value}
        options={offered.map((o, i) => (effects[i] ? { ...o, name: `${o.name}: ${effects[i]}` } : o))}
        onLook={setLooking}
        onChange={(v) => setSetting(ids, name, v)}
      />
    </SettingRow>
  );
}

function OpeningsSetting({ ids, piece, resolved }: { ids: readonly string[]; piece: Piece; resolved: Resolved<'carve' | 'sew-over'> }) {
  return (
    <>
      <ChoiceSetting name="openings" ids={ids} piece={piece} resolved={resolved} />
      {resolved.value === 'carve' && ids.length === 1 && <Openings piece={piece} />}
    </>
  );
}

function UnderlaySetting(props: Props) {
  const { underlay } = props.settings;
  return underlay ? <Underlay {...props} underlay={underlay} /> : null;
}

function Underlay({ ids, piece, underlay, units }: Props & { underlay: NonNullable<ResolvedSettings['underlay']> }) {
  const [tried, setTried] = useState<readonly UnderlayLayer[] | null>(null);
  const { from, why, value } = underlay;
  const [effect] = useEffectsOf(ids, 'underlay', [tried]);
  const set = (layers: UnderlayLayer[]): void => setSetting(ids, 'underlay', layers);
  return (
    <>
      <SettingRow
        label="Underlay"
        from={from}
        why={why}
        effect={effect ?? null}
        onLike={() => chooseLike(piece.id, 'underlay')}
        onReset={() => setSetting(ids, 'underlay', undefined)}
      >
        <UnderlayPicker kind={piece.kind} layers={value} onChange={set} onTry={setTried} />
      </SettingRow>
      <UnderlayLayers kind={piece.kind} layers={value} units={units} onChange={set} />
    </>
  );
}
