'use client';
import { said } from '@/session/view/unitsStore';
import { Plus, RotateCcw, Trash2 } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { toast } from '@/session/notice';
import { briefRecipe, recipeFor, type HouseRecipe } from '@/core/cloth/house';
import { RECIPES } from '@/core/cloth/recipes';
import { SETTINGS } from '@/core/document/catalogue';
import type { Job, UnderlayKind } from '@/core/document/types';
import { UNDERLAY_KINDS } from '@/core/document/types';
import { UNDERLAY_WORDS } from '@/core/document/words';
import { alteredBy, applyTo, putRecipe, removeRecipe, useLibrary } from '@/session/shop/libraryStore';
import { Button, SignButton } from '../components/Button';
import { TextField } from '../components/TextField';
import { NumberField } from '../components/NumberField';

const ClothPicture = dynamic(() => import('./ClothPicture').then((m) => m.ClothPicture), { ssr: false });

type Figure = 'pullComp' | 'fillSpacing' | 'satinSpacing' | 'fillLength';
const FIGURES: readonly { key: Figure; name: string; range: { min: number; max: number; step: number } }[] = [
  { key: 'pullComp', name: 'Pull compensation', range: SETTINGS.pullComp },
  { key: 'fillSpacing', name: 'Fill spacing', range: SETTINGS.spacing },
  { key: 'satinSpacing', name: 'Satin spacing', range: SETTINGS.spacing },
  { key: 'fillLength', name: 'Fill stitch', range: SETTINGS.stitchLength },
];
const WORDS = ['stabilizer', 'topping', 'needle'] as const;

/** All cloths as recipes: the twelve that ship, changed or not, and the shop's own. */
function shelfOf(own: readonly HouseRecipe[]): HouseRecipe[] {
  const standing = RECIPES.map((r): HouseRecipe => own.find((o) => o.id === r.key) ?? { id: r.key, cloth: r.key, name: r.name });
  return [...standing, ...own.filter((o) => !RECIPES.some((r) => r.key === o.id))];
}

/** Recipes of all cloths; every value can be changed, and a change says which jobs it would alter. */
export function Cloths() {
  const own = useLibrary((s) => s.library.recipes);
  const [chosen, setChosen] = useState<string>('pique');
  const shelf = shelfOf(own);
  const recipe = shelf.find((r) => r.id === chosen) ?? shelf[0]!;
  const add = (): void => {
    let n = 1;
    while (own.some((o) => o.id === `house-${n}`)) n++;
    const made = { ...recipe, id: `house-${n}`, name: `${recipe.name}, ours` };
    void putRecipe(made).then(() => setChosen(made.id));
  };
  return (
    <div className="grid gap-6 md:grid-cols-[300px_1fr]">
      <div>
        <ul aria-label="Cloths" className="rounded-md border border-hairline bg-panel">
          {shelf.map((r) => (
            <li key={r.id} className="border-b border-hairline last:border-0">
              <button
                type="button"
                aria-current={r.id === recipe.id ? 'true' : undefined}
                onClick={() => setChosen(r.id)}
                className={`flex w-full items-center gap-2 px-3 py-1.5 text-left ${r.id === recipe.id ? 'bg-tape font-semibold' : 'hover:bg-tape-soft'}`}
              >
                <span
                  className="h-4 w-4 shrink-0 rounded-sm border border-edge"
                  style={{ backgroundColor: recipeFor(briefRecipe(r)).hex }}
                />
                <span className="min-w-0 flex-1 truncate">{r.name}</span>
                {own.some((o) => o.id === r.id) && <span className="text-xs text-quiet">{r.id === r.cloth ? 'changed' : 'own'}</span>}
              </button>
            </li>
          ))}
        </ul>
        <Button className="mt-3" onClick={add}>
          <Plus size={15} aria-hidden="true" /> A cloth like this one
        </Button>
      </div>
      <Recipe key={recipe.id} recipe={recipe} changed={own.some((o) => o.id === recipe.id)} />
    </div>
  );
}

function Recipe({ recipe, changed }: { recipe: HouseRecipe; changed: boolean }) {
  const values = recipeFor(briefRecipe(recipe));
  const usual = recipeFor({ cloth: recipe.cloth });
  const [altered, setAltered] = useState<readonly Job[]>([]);
  const put = async (patch: Partial<HouseRecipe>): Promise<void> => {
    const next = { ...recipe, ...patch };
    await putRecipe(next);
    setAltered(await alteredBy(next));
  };
  const isOwn = recipe.id !== recipe.cloth;
  return (
    <section aria-label={recipe.name} className="rounded-md border border-hairline bg-panel p-5">
      <div className="flex items-start gap-3">
        {isOwn ? (
          <TextField
            label="Name of the cloth"
            hideLabel
            className="flex-1 text-lg font-semibold"
            value={recipe.name}
            maxLength={80}
            onCommit={(name) => name.trim() !== '' && void put({ name: name.trim() })}
          />
        ) : (
          <h2 className="flex-1 text-lg font-semibold">{recipe.name}</h2>
        )}
        {changed && (
          <SignButton
            name={isOwn ? 'Remove this cloth' : 'Give it back its starting values'}
            onClick={() => void removeRecipe(recipe.id).then(() => setAltered([]))}
          >
            {isOwn ? <Trash2 size={16} /> : <RotateCcw size={16} />}
          </SignButton>
        )}
      </div>
      <p className="mb-4 text-quiet">
        {isOwn ? `Begins with ${usual.name}. ` : ''}Starting values; what your sew-outs say outranks them. Smaller spacing is denser.
      </p>
      <ClothPicture brief={briefRecipe(recipe)} recipe={values} />
      <div className="grid grid-cols-2 gap-4 lg:grid-cols-4">
        {FIGURES.map(({ key, name, range }) => (
          <div key={key}>
            <NumberField
              label={name}
              value={values[key]}
              unit="mm"
              min={range.min}
              max={range.max}
              step={range.step}
              decimals={2}
              onCommit={(v) => void put({ [key]: v })}
            />
            {values[key] !== usual[key] && <p className="mt-0.5 text-xs text-quiet">usually {usual[key].toFixed(2)}</p>}
          </div>
        ))}
        <NumberField
          label="Speed, stitches a minute"
          value={values.speed}
          unit=""
          min={100}
          max={1500}
          step={50}
          decimals={0}
          onCommit={(v) => void put({ speed: Math.round(v) })}
        />
        <div>
          <NumberField
            label="Tension, usual is 1"
            value={values.tension}
            unit=""
            min={0}
            max={3}
            step={0.05}
            decimals={2}
            onCommit={(tension) => void put({ tension })}
          />
          <p className="mt-0.5 text-xs text-quiet">what the forecast draws the cloth in by</p>
        </div>
      </div>
      <div className="mt-4 grid gap-4 sm:grid-cols-2">
        <Kinds
          legend={said('Under satins of 3 mm and more')}
          value={values.satinFoundation}
          onChange={(satinFoundation) => void put({ satinFoundation })}
        />
        <Kinds legend="Under fills" value={values.fillFoundation} onChange={(fillFoundation) => void put({ fillFoundation })} />
      </div>
      <div className="mt-4 grid gap-4 sm:grid-cols-3">
        {WORDS.map((key) => (
          <TextField
            key={key}
            label={key.charAt(0).toUpperCase() + key.slice(1)}
            value={values[key]}
            maxLength={120}
            onCommit={(words) => void put({ [key]: words })}
          />
        ))}
      </div>
      {altered.length > 0 && <Altered recipe={recipe} jobs={altered} onDone={() => setAltered([])} />}
    </section>
  );
}

/** The jobs that a changed recipe would alter, and the button that alters them. */
function Altered({ recipe, jobs, onDone }: { recipe: HouseRecipe; jobs: readonly Job[]; onDone(): void }) {
  const [busy, setBusy] = useState(false);
  const alter = async (): Promise<void> => {
    setBusy(true);
    try {
      await applyTo(
        recipe,
        jobs.map((j) => j.id),
      );
      toast.success(`${jobs.length} ${jobs.length === 1 ? 'job follows' : 'jobs follow'} the recipe now.`);
      onDone();
    } catch (error) {
      toast.error(error instanceof Error ? error.message : 'The jobs could not be saved.');
      setBusy(false);
    }
  };
  return (
    <div role="status" data-testid="altered" className="mt-5 flex items-center gap-3 rounded-md border border-warn p-3">
      <p className="flex-1">
        This would alter {jobs.length} {jobs.length === 1 ? 'job' : 'jobs'}: {jobs.map((j) => j.name).join(', ')}. They keep their old
        numbers until you say so.
      </p>
      <Button disabled={busy} onClick={() => void alter()}>
        {busy ? 'Altering …' : 'Alter them'}
      </Button>
    </div>
  );
}

function Kinds({ legend, value, onChange }: { legend: string; value: readonly UnderlayKind[]; onChange(kinds: UnderlayKind[]): void }) {
  return (
    <fieldset>
      <legend className="mb-1 text-quiet">{legend}</legend>
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        {UNDERLAY_KINDS.map((k) => (
          <label key={k} className="flex items-center gap-1.5">
            <input
              type="checkbox"
              className="h-4 w-4 accent-[#1d282c]"
              checked={value.includes(k)}
              onChange={() => onChange(value.includes(k) ? value.filter((v) => v !== k) : [...value, k])}
            />
            {UNDERLAY_WORDS[k]}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
