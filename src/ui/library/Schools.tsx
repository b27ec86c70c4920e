'use client';
import { said } from '@/session/view/unitsStore';
import { SCHOOLS } from '@/core/cloth/library';
import type { JobSettings } from '@/core/document/types';
import { changeLibrary, useLibrary } from '@/session/shop/libraryStore';

/** Where good people differ, each question with its answers and their reasons; new jobs begin with the answers. */
export function Schools() {
  const school = useLibrary((s) => s.library.school);
  const choose = (key: keyof JobSettings, value: string | number): void => void changeLibrary({ school: { ...school, [key]: value } });
  return (
    <div className="max-w-[760px]">
      <p className="mb-4 text-quiet">New jobs begin with what is chosen here. Jobs you have keep theirs.</p>
      {SCHOOLS.map((s) => {
        const chosen = school[s.key] ?? s.options[0]!.value;
        return (
          <fieldset key={s.key} className="mb-5 rounded-md border border-hairline bg-panel p-4">
            <legend className="px-1 text-lg font-semibold">{said(s.question)}</legend>
            {s.options.map((o, i) => (
              <label key={o.value} className="flex items-start gap-2 border-t border-hairline py-2 first:border-0">
                <input
                  type="radio"
                  name={s.key}
                  className="mt-0.5 h-4 w-4 accent-[#1d282c]"
                  checked={chosen === o.value}
                  onChange={() => choose(s.key, o.value)}
                />
                <span>
                  <span className="font-semibold">{said(o.name)}</span>
                  {i === 0 && <span className="text-quiet"> (usual)</span>}
                  <span className="block text-quiet">{said(o.why)}</span>
                </span>
              </label>
            ))}
          </fieldset>
        );
      })}
    </div>
  );
}
