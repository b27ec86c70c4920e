'use client';

/** The first thing that the Tab key comes to: past the line at the top, to the work. */
export function SkipLink() {
  const toWork = (): void => {
    const main = document.querySelector('main');
    if (!main) return;
    main.tabIndex = -1;
    main.focus();
  };
  return (
    <button
      type="button"
      onClick={toWork}
      className="fixed top-2 left-2 z-50 -translate-y-20 rounded-md border border-ink bg-tape px-3 py-1.5 font-semibold focus:translate-y-0"
    >
      To the work
    </button>
  );
}
