'use client';
import { said } from '@/session/view/unitsStore';
import { formOf } from '@/core/pieces/registry';
import { useState } from 'react';
import type { Piece, PieceSettings, UnderlayLayer } from '@/core/document/types';
import { SETTINGS, waysOf, type ChoiceKey, type ChoiceSetting, type NumberKey } from '@/core/document/catalogue';
import type { Resolved } from '@/core/document/resolved';
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

/** The word of the craft behind a setting, where there is one to explain. */
const TERMS: Partial<Record<string, string>> = {
  angle: 'slant',
  spacing: 'spacing',
  stitchLength: 'stitch-length',
  pullComp: 'pull',
  pushComp: 'push',
  openings: 'openings',
  corners: 'corners',
  stagger: 'stagger',
  motifSpacing: 'motif',
  tieShape: 'tie',
};

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
      {formOf(props.piece) === 'rows' && !props.settings.spacingTo && props.settings.spacing && (
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
  if (SETTINGS[name].as === 'choice')
    return <ChoiceSetting name={name as ChoiceKey} ids={ids} piece={piece} resolved={resolved as Resolved<never>} />;
  return <NumberSetting name={name as FieldKey} ids={ids} piece={piece} units={units} resolved={resolved as Resolved<number>} />;
}

/** Compensation in per cent is typed in the field of that in mm. */
type FieldKey = Exclude<NumberKey, 'pullCompPercent'>;

interface NumberProps extends Omit<Props, 'settings'> {
  name: FieldKey;
  resolved: Resolved<number>;
}

/** A number with its effect on the whole job while it is being typed. */
function NumberSetting({ name: key, ids, piece, units, resolved: number }: NumberProps) {
  const { label, unit, min, max, step, decimals } = SETTINGS[key];
  const [draft, setDraft] = useState<number | null>(null);
  const effect = useEffectOf(ids, key, draft);
  const percent = (text: string): boolean => {
    const share = parsePercent(text);
    if (share === null || share < SETTINGS.pullCompPercent.min || share > SETTINGS.pullCompPercent.max) return false;
    setSettings(ids, { pullCompPercent: share, pullComp: undefined });
    return true;
  };
  const aside =
    key === 'spacing' && formOf(piece) !== 'line' ? `${rowsPerInch(number.value).toFixed(1)} rows/in, smaller is denser` : undefined;
  return (
    <SettingRow
      label={label}
      term={TERMS[key]}
      from={number.from}
      why={said(number.why)}
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
        {...{ unit, min, max, step, decimals }}
        lengthUnit={units}
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
  const { label, words } = SETTINGS[name] as ChoiceSetting<string>;
  const ways = waysOf(name).filter((way) => way !== 'carved' || piece.carve);
  const offered = ways.map((value) => ({ value, name: words[value]! }));
  const [looking, setLooking] = useState(false);
  const effects = useEffectsOf(ids, name, looking ? offered.map((o) => (o.value === resolved.value ? null : o.value)) : NOTHING);
  return (
    <SettingRow
      label={label}
      term={TERMS[name]}
      from={resolved.from}
      why={said(resolved.why)}
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
        term="underlay"
        from={from}
        why={said(why)}
        effect={effect ?? null}
        onLike={() => chooseLike(piece.id, 'underlay')}
        onReset={() => setSetting(ids, 'underlay', undefined)}
      >
        <UnderlayPicker form={formOf(piece)} layers={value} onChange={set} onTry={setTried} />
      </SettingRow>
      <UnderlayLayers kind={piece.kind} layers={value} units={units} onChange={set} />
    </>
  );
}
