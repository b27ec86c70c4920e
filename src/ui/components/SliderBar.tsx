interface Props {
  /** Where it stands, percent from the left. */
  at: number;
  label: string;
  /** The hand does something else meanwhile. */
  held?: boolean;
  onMove(at: number): void;
}

/** The bar that parts two pictures over one another, moved by hand or by keys. */
export function SliderBar({ at, label, held = false, onMove }: Props) {
  return (
    <>
      <span aria-hidden="true" className="absolute inset-y-0 w-0.5 bg-ink outline outline-white" style={{ left: `calc(${at}% - 1px)` }} />
      <span
        aria-hidden="true"
        className="absolute bottom-3 grid h-7 w-7 -translate-x-1/2 place-items-center rounded-full border border-ink bg-tape"
        style={{ left: `${at}%` }}
      >
        ↔
      </span>
      <input
        type="range"
        min={0}
        max={100}
        step={0.5}
        value={at}
        aria-label={label}
        onChange={(e) => onMove(Number(e.target.value))}
        className={`absolute inset-0 h-full w-full cursor-ew-resize opacity-0 ${held ? 'pointer-events-none' : ''}`}
      />
    </>
  );
}
