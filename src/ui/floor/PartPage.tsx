import type { ReactNode } from 'react';

/** One part of the Floor as a page of its own that scrolls. */
export function PartPage({ title, says, tools, children }: { title: string; says: string; tools?: ReactNode; children: ReactNode }) {
  return (
    <div className="h-full overflow-auto">
      <div className="mx-auto max-w-[1040px] px-4 py-5 sm:px-6">
        <div className="mb-5 flex items-start gap-4">
          <div className="flex-1">
            <h1 className="text-xl font-semibold">{title}</h1>
            <p className="text-quiet">{says}</p>
          </div>
          {tools}
        </div>
        {children}
      </div>
    </div>
  );
}

/** A figure that is read from afar, with what it means. */
export function Figure({ name, figure, says }: { name: string; figure: string; says?: string | undefined }) {
  return (
    <div className="border-l-2 border-ink pl-3">
      <dt className="text-quiet">{name}</dt>
      <dd className="figures text-[26px] leading-8 whitespace-nowrap max-sm:text-lg max-sm:leading-7">{figure}</dd>
      {says && <dd className="text-xs text-quiet">{says}</dd>}
    </div>
  );
}
