'use client';
import { useId, useRef, useState, type KeyboardEvent } from 'react';
import { inUnits } from '@/core/units/inUnits';
import { parseLength, type LengthUnit } from '@/core/units/length';
import { useUnits } from '@/session/view/unitsStore';

interface Props {
  label: string;
  value: number | undefined;
  unit: 'mm' | '°' | '%' | '';
  min: number;
  max: number;
  step: number;
  decimals?: number;
  /** What a bare number means when the unit is a length; the person's units when absent. */
  lengthUnit?: LengthUnit;
  placeholder?: string;
  hideLabel?: boolean;
  className?: string;
  /** Reads what was typed, where more than a length is understood. */
  parse?(text: string, unit: LengthUnit): number | null;
  /** Takes text that means something else (a share, say); true when it did. */
  onText?(text: string): boolean;
  /** Called with what is being typed, before it is taken; null when it is no permitted value. */
  onDraft?(value: number | null): void;
  onCommit(value: number): void;
}

const show = (value: number | undefined, decimals: number): string => (value === undefined ? '' : value.toFixed(decimals));

/** A number that can be typed with a unit (mm, cm, in), stepped with the arrow keys, and is only taken within its range. */
export function NumberField(props: Props) {
  const { label, value, unit, min, max, step, decimals = 2, onCommit } = props;
  const ambient = useUnits((s) => s.units);
  const lengthUnit = props.lengthUnit ?? ambient;
  const [draft, setDraft] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();
  /** The field is left by a key: what was typed has been taken already, or is not to be. */
  const leaving = useRef(false);
  const leave = (input: HTMLInputElement): void => {
    leaving.current = true;
    input.blur();
    leaving.current = false;
  };
  const shown = unit === 'mm' && lengthUnit === 'in' && value !== undefined ? value / 25.4 : value;

  const read = (text: string): number | null => {
    if (props.parse) return props.parse(text, lengthUnit);
    return unit === 'mm' ? parseLength(text, lengthUnit) : Number(text.replace(',', '.').replace(/[°%\s]/g, '') || NaN);
  };
  const type = (text: string): void => {
    setDraft(text);
    const value = read(text);
    props.onDraft?.(value !== null && value >= min && value <= max ? value : null);
  };
  /** @returns whether it was taken */
  const take = (text: string): boolean => {
    props.onDraft?.(null);
    if (props.onText?.(text)) {
      setProblem(null);
      setDraft(null);
      return true;
    }
    const parsed = read(text);
    if (parsed === null || !Number.isFinite(parsed) || parsed < min || parsed > max) {
      setProblem(unit === 'mm' ? inUnits(`${min} to ${max} mm`, lengthUnit) : `${min} to ${max} ${unit}`);
      return false;
    }
    setProblem(null);
    setDraft(null);
    if (parsed !== value) onCommit(Math.round(parsed * 1000) / 1000);
    return true;
  };
  const nudge = (direction: 1 | -1, big: boolean): void => {
    const next = Math.min(max, Math.max(min, (value ?? min) + direction * step * (big ? 10 : 1)));
    setProblem(null);
    setDraft(null);
    onCommit(Math.round(next * 1000) / 1000);
  };
  const onKeyDown = (e: KeyboardEvent<HTMLInputElement>): void => {
    if (e.key === 'Enter' && (draft === null || take(draft))) leave(e.currentTarget);
    else if (e.key === 'Escape') {
      setDraft(null);
      setProblem(null);
      props.onDraft?.(null);
      e.stopPropagation();
      leave(e.currentTarget);
    } else if (e.key === 'ArrowUp' || e.key === 'ArrowDown') {
      e.preventDefault();
      nudge(e.key === 'ArrowUp' ? 1 : -1, e.shiftKey);
    }
  };

  return (
    <div className={props.className ?? ''}>
      <label htmlFor={id} className={props.hideLabel ? 'sr-only' : 'mb-1 block text-quiet'}>
        {label}
      </label>
      <div className={`field-box flex h-8 items-center rounded-md border bg-white ${problem ? 'border-danger' : 'border-edge'}`}>
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          className="figures h-full w-full min-w-0 rounded-md bg-transparent px-2 text-right"
          value={draft ?? show(shown, lengthUnit === 'in' && unit === 'mm' ? decimals + 1 : decimals)}
          placeholder={props.placeholder}
          data-draft={draft !== null}
          aria-invalid={problem !== null}
          aria-describedby={problem ? `${id}-problem` : undefined}
          onChange={(e) => type(e.target.value)}
          onBlur={() => {
            if (draft !== null && !leaving.current) take(draft);
          }}
          onKeyDown={onKeyDown}
        />
        {unit !== '' && <span className="pr-2 text-quiet">{unit === 'mm' ? lengthUnit : unit}</span>}
      </div>
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-1 text-xs text-danger">
          Permitted: {problem}
        </p>
      )}
    </div>
  );
}
