interface Shared {
  label: string;
  maxLength?: number;
  placeholder?: string;
  className?: string;
  hideLabel?: boolean;
}

const FIELD = 'h-8 w-full rounded-md border border-edge bg-white px-2';

function Labelled({ label, className = '', hideLabel = false, children }: Shared & { children: React.ReactNode }) {
  return (
    <label className={`block ${className}`}>
      <span className={hideLabel ? 'sr-only' : 'mb-1 block text-quiet'}>{label}</span>
      {children}
    </label>
  );
}

/** A line of words that is taken when the person goes on. */
export function TextField({ value, onCommit, ...shared }: Shared & { value: string; onCommit(value: string): void }) {
  return (
    <Labelled {...shared}>
      <input
        key={value}
        defaultValue={value}
        placeholder={shared.placeholder}
        maxLength={shared.maxLength ?? 200}
        onBlur={(e) => {
          if (e.target.value !== value) onCommit(e.target.value);
        }}
        className={FIELD}
      />
    </Labelled>
  );
}

/** A line of words that belongs to a form which is sent as a whole. */
export function DraftField({ value, onChange, ...shared }: Shared & { value: string; onChange(value: string): void }) {
  return (
    <Labelled {...shared}>
      <input
        value={value}
        placeholder={shared.placeholder}
        maxLength={shared.maxLength ?? 200}
        onChange={(e) => onChange(e.target.value)}
        className={FIELD}
      />
    </Labelled>
  );
}
