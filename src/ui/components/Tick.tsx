interface Props {
  name: string;
  on: boolean;
  title?: string;
  small?: boolean;
  onChange(on: boolean): void;
}

/** Something that is on or off, with its name beside it. */
export function Tick({ name, on, title, small = false, onChange }: Props) {
  return (
    <label className={`flex items-center ${small ? 'gap-1' : 'gap-1.5'}`} title={title}>
      <input
        type="checkbox"
        className={`${small ? 'h-3.5 w-3.5' : 'h-4 w-4'} accent-[#1d282c]`}
        checked={on}
        onChange={(e) => onChange(e.target.checked)}
      />
      {name}
    </label>
  );
}
