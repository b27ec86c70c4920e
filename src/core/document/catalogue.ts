import { MACHINE_LIMIT_MM } from '../units/tolerances';
import type { PieceSettings, UnderlayLayer } from './types';

/** What is known of a setting: how it is called, what it may be, and what it changes. */
interface Common {
  label: string;
  /** Whether a piece's shape depends on it, or only the stitches in the shape. */
  changes: 'shape' | 'stitches';
}

export interface NumberSetting extends Common {
  as: 'number';
  unit: 'mm' | '°' | '%' | '';
  min: number;
  max: number;
  /** Smallest step of its control, and digits that it is shown with. */
  step: number;
  decimals: number;
  whole?: true;
}

export interface ChoiceSetting<T extends string> extends Common {
  as: 'choice';
  words: Readonly<Record<T, string>>;
}

export interface SwitchSetting extends Common {
  as: 'switch';
}

/** Layers of foundation, sewn in order. */
export interface LayersSetting extends Common {
  as: 'layers';
  most: number;
}

/** One number for the left of a column and one for the right. */
export interface SidesSetting extends Common {
  as: 'sides';
  each: 'pullComp';
}

export type Setting<T> = [T] extends [boolean]
  ? SwitchSetting
  : [T] extends [number]
    ? NumberSetting
    : [T] extends [string]
      ? ChoiceSetting<T>
      : [T] extends [UnderlayLayer[]]
        ? LayersSetting
        : SidesSetting;

export type AnySetting = NumberSetting | ChoiceSetting<string> | SwitchSetting | LayersSetting | SidesSetting;

export type SettingKey = keyof PieceSettings;
/** Keys of the settings that are of one sort. */
export type KeyOf<S> = { [K in SettingKey]: Setting<NonNullable<PieceSettings[K]>> extends S ? K : never }[SettingKey];
export type NumberKey = KeyOf<NumberSetting>;
export type ChoiceKey = KeyOf<{ as: 'choice' }>;

/**
 * Every setting that a piece may have. The schema, the keys that shapes are kept by, the card and the words of a comparison
 * come from here; what a setting is where nobody chose one is its kind's own rule.
 */
export const SETTINGS: { readonly [K in SettingKey]-?: Setting<NonNullable<PieceSettings[K]>> } = {
  spacing: { as: 'number', label: 'Spacing', changes: 'stitches', unit: 'mm', min: 0.15, max: 5, step: 0.01, decimals: 2 },
  stitchLength: {
    ...{ as: 'number', label: 'Stitch length', changes: 'stitches', unit: 'mm' },
    ...{ min: 0.5, max: MACHINE_LIMIT_MM, step: 0.1, decimals: 1 },
  },
  angle: { as: 'number', label: 'Direction', changes: 'stitches', unit: '°', min: -360, max: 360, step: 1, decimals: 0 },
  pullComp: { as: 'number', label: 'Pull comp.', changes: 'stitches', unit: 'mm', min: 0, max: 3, step: 0.05, decimals: 2 },
  pullCompPercent: { as: 'number', label: 'Pull comp.', changes: 'stitches', unit: '%', min: 100, max: 250, step: 5, decimals: 0 },
  pullCompSides: { as: 'sides', label: 'Pull comp. of each side', changes: 'stitches', each: 'pullComp' },
  pushComp: { as: 'number', label: 'Push comp.', changes: 'stitches', unit: 'mm', min: 0, max: 2, step: 0.1, decimals: 2 },
  underlay: { as: 'layers', label: 'Underlay', changes: 'stitches', most: 8 },
  style: {
    ...{ as: 'choice', label: 'Style', changes: 'shape' },
    words: {
      plain: 'Plain',
      double: 'Out and back',
      bean: 'Bean',
      backstitch: 'Backstitch',
      zigzag: 'Loose zigzag',
      motif: 'Motif',
    },
  },
  passes: { as: 'number', label: 'Passes', changes: 'stitches', unit: '', min: 1, max: 9, step: 2, decimals: 0, whole: true },
  satinLimit: {
    ...{ as: 'number', label: 'Satin limit', changes: 'stitches', unit: 'mm' },
    ...{ min: 2, max: MACHINE_LIMIT_MM, step: 0.5, decimals: 1 },
  },
  overLimit: { as: 'choice', label: 'Over the limit', changes: 'shape', words: { split: 'Split rows', fill: 'Sew as fill' } },
  corners: { as: 'choice', label: 'Corners', changes: 'shape', words: { turn: 'Turn', butt: 'Butt', mitre: 'Mitre', cap: 'Cap' } },
  ends: { as: 'choice', label: 'Open ends', changes: 'stitches', words: { open: 'Shortened', covered: 'Run under', capped: 'Capped' } },
  stagger: {
    ...{ as: 'choice', label: 'Stagger', changes: 'stitches' },
    words: { mixed: 'Mixed', brick: 'Brick', quarter: 'Quarter', carved: 'Carved lines' },
  },
  spacingTo: { as: 'number', label: 'Opens to', changes: 'stitches', unit: 'mm', min: 0.15, max: 5, step: 0.05, decimals: 2 },
  zigzagWidth: {
    ...{ as: 'number', label: 'Zigzag width', changes: 'stitches', unit: 'mm' },
    ...{ min: 0.8, max: MACHINE_LIMIT_MM, step: 0.1, decimals: 1 },
  },
  motifSpacing: { as: 'number', label: 'Motif gap', changes: 'stitches', unit: 'mm', min: 0, max: 50, step: 0.5, decimals: 1 },
  foundation: { as: 'switch', label: 'Foundation', changes: 'shape' },
  foam: { as: 'number', label: 'Foam', changes: 'stitches', unit: 'mm', min: 0, max: 6, step: 0.5, decimals: 1 },
  tieIn: { as: 'switch', label: 'Tie in', changes: 'stitches' },
  tieOff: { as: 'switch', label: 'Tie off', changes: 'stitches' },
  tieShape: {
    ...{ as: 'choice', label: 'Ties', changes: 'stitches' },
    words: {
      line: 'Back in line',
      'half-back': 'Half back',
      'back-stitch': 'One stitch back',
      outside: 'Outside in',
      cross: 'Small cross',
    },
  },
  tieLength: { as: 'number', label: 'Tie length', changes: 'stitches', unit: 'mm', min: 0.3, max: 1.5, step: 0.1, decimals: 1 },
  tieCount: { as: 'number', label: 'Tie stitches', changes: 'stitches', unit: '', min: 1, max: 6, step: 1, decimals: 0, whole: true },
  openings: { as: 'choice', label: 'Openings', changes: 'shape', words: { carve: 'Left open', 'sew-over': 'Sewn over' } },
};

export const SETTING_KEYS = Object.keys(SETTINGS) as readonly SettingKey[];

/** Settings that a piece's shape depends on. */
export const SHAPE_KEYS = SETTING_KEYS.filter((key) => SETTINGS[key].changes === 'shape');

/** Ways that a choice offers, in order. */
export const waysOf = <K extends ChoiceKey>(key: K): NonNullable<PieceSettings[K]>[] =>
  Object.keys((SETTINGS[key] as ChoiceSetting<string>).words) as NonNullable<PieceSettings[K]>[];
