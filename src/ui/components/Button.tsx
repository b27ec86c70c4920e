'use client';
import type { ButtonHTMLAttributes, ReactNode } from 'react';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  look?: 'primary' | 'plain' | 'quiet' | 'danger';
  dense?: boolean;
  children: ReactNode;
}

const LOOKS = {
  primary: 'bg-tape border-ink text-ink font-semibold hover:bg-[#ffd34d]',
  plain: 'bg-panel border-edge text-ink hover:bg-tape-soft',
  quiet: 'border-transparent text-ink hover:bg-tape-soft',
  danger: 'bg-panel border-danger text-danger hover:bg-[#fbeaec]',
};

export function Button({ look = 'plain', dense = false, className = '', children, ...rest }: Props) {
  const size = dense ? 'h-6 px-2' : 'h-8 px-3';
  return (
    <button
      type="button"
      className={`inline-flex items-center justify-center gap-1.5 rounded-md border whitespace-nowrap disabled:opacity-45 ${size} ${LOOKS[look]} ${className}`}
      {...rest}
    >
      {children}
    </button>
  );
}

/** A square button that shows only a sign; its name is what screen readers say and the tip shows. */
export function SignButton({
  name,
  pressed,
  className = '',
  children,
  ...rest
}: Omit<Props, 'look' | 'dense'> & { name: string; pressed?: boolean }) {
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      aria-pressed={pressed}
      className={`grid h-8 w-8 shrink-0 place-items-center rounded-md border disabled:opacity-40 ${pressed ? 'border-ink bg-tape' : 'border-transparent hover:bg-tape-soft'} ${className}`}
      {...rest}
    >
      {children}
    </button>
  );
}
