'use client';
import { useId, useRef } from 'react';

interface Props<T extends string> {
  label: string;
  value: T;
  options: readonly { value: T; name: string }[];
  hideLabel?: boolean;
  /** For rows of a table. */
  dense?: boolean;
  className?: string;
  /** The list is being looked at, or no longer. */
  onLook?(looking: boolean): void;
  onChange(value: T): void;
}

/** One of a few, as the browser's own list: works with every keyboard and screen reader. */
export function Choice<T extends string>({
  label,
  value,
  options,
  hideLabel = false,
  dense = false,
  className = '',
  onLook,
  onChange,
}: Props<T>) {
  const id = useId();
  const pointed = useRef(false);
  return (
    <div className={className}>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'mb-1 block text-quiet'}>
        {label}
      </label>
      <select
        id={id}
        value={value}
        onFocus={() => onLook?.(true)}
        onBlur={() => onLook?.(false)}
        onPointerEnter={() => onLook?.(true)}
        onPointerLeave={(e) => document.activeElement !== e.currentTarget && onLook?.(false)}
        onPointerDown={() => (pointed.current = true)}
        onKeyDown={() => (pointed.current = false)}
        onChange={(e) => {
          onChange(e.target.value as T);
          // Whoever chose with the pointer goes on with the page's keys; a letter must not choose again.
          if (pointed.current) e.target.blur();
        }}
        data-draft="false"
        className={`w-full rounded-md border border-edge bg-white ${dense ? 'h-6 px-1' : 'h-8 px-2'}`}
      >
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.name}
          </option>
        ))}
      </select>
    </div>
  );
}
