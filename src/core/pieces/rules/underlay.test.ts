import { recipeOf, RECIPES, type ClothRecipe } from '../../cloth/recipes';
import { pullCompFor, pushCompFor } from './compensation';
import type { ClothKey, JobSettings, PieceSettings, UnderlayLayer } from '../../document/types';
import { CLOTH_KEYS } from '../../document/types';
import { columnUnderlay, fillUnderlay, foundationOf } from './underlay';

const kindsOf = ({ value }: { value: readonly UnderlayLayer[] }): string => value.map((l) => l.kind).join(' + ');
const under = (width: number, cloth: ClothKey = 'twill', school: JobSettings = {}, own: PieceSettings = {}, spacing = 0.4): string =>
  kindsOf(columnUnderlay(own, width, spacing, recipeOf(cloth), school));
const underFill = (width: number, cloth: ClothKey, own: PieceSettings = {}, spacing = 0.4): string =>
  kindsOf(fillUnderlay(own, width, spacing, recipeOf(cloth)));

describe('underlay under satins', () => {
  it('is none below 1.5 mm, a centre run up to 3, the recipe’s up to 5, edges and a zigzag beyond', () => {
    expect(under(1.4)).toBe('');
    expect(under(1.6)).toBe('centre-run');
    expect(under(2.9)).toBe('centre-run');
    expect(under(4)).toBe(recipeOf('twill').satinFoundation.join(' + '));
    expect(under(7)).toMatch(/^edge-run \+ (double-)?zigzag$/);
  });

  it('changes exactly at 1.5, 3 and 5 mm', () => {
    const usual = recipeOf('pique').satinFoundation.join(' + ');
    expect([1.49, 1.5, 2.99, 3, 5, 5.01].map((w) => under(w, 'pique'))).toEqual([
      ...['', 'centre-run', 'centre-run', usual, usual],
      'edge-run + zigzag',
    ]);
    expect(under(6, 'fleece')).toBe('edge-run + double-zigzag');
    const school = { thinUnderlay: 'centre-run' } as const;
    expect(columnUnderlay({}, 1.49, 0.4, recipeOf('twill'), school).why).toMatch(/school/);
    expect(columnUnderlay({}, 1.5, 0.4, recipeOf('twill'), school).why).not.toMatch(/school/);
  });

  it('leather gets a centre run however broad the column is', () => {
    expect(under(9, 'leather')).toBe('centre-run');
    expect(columnUnderlay({}, 4, 0.4, recipeOf('leather')).why).toMatch(/leather/);
  });

  it('a school may want a centre run even in thin letters', () => {
    expect(under(1.2, 'twill', { thinUnderlay: 'centre-run' })).toBe('centre-run');
  });

  it('there are few holes in leather, none over foam, none under light cover', () => {
    expect(under(4, 'leather')).toBe('centre-run');
    expect(under(8, 'cap', {}, { foam: 3 })).toBe('');
    expect(under(4, 'pique', {}, {}, 1.2)).toBe('');
  });
});

describe('underlay under fills', () => {
  it('is what the cloth wants, and none where there is no room', () => {
    for (const cloth of CLOTH_KEYS) {
      expect(underFill(9, cloth)).toBe(recipeOf(cloth).fillFoundation.join(' + '));
      expect(underFill(1.5, cloth)).toBe('');
      expect(underFill(9, cloth, { foam: 2 })).toBe('');
      expect(underFill(9, cloth, {}, 0.6)).toBe('');
    }
  });

  it('begins at 2 mm', () => {
    expect(underFill(1.99, 'pique')).toBe('');
    expect(underFill(2, 'pique')).toBe('edge-run + lattice');
  });

  it('edges lie deeper than under columns, and a second lattice crosses the first', () => {
    const layers = fillUnderlay({}, 9, 0.4, recipeOf('terry')).value;
    expect(layers.map((l) => l.kind)).toEqual(['edge-run', 'lattice', 'lattice']);
    expect(layers[0]!.inset).toBeGreaterThan(columnUnderlay({}, 9, 0.4, recipeOf('terry')).value[0]!.inset!);
    expect(layers.map((l) => l.angle)).toEqual([undefined, undefined, 0]);
    expect(fillUnderlay({}, 9, 0.4, recipeOf('pique')).value.map((l) => l.angle)).toEqual([undefined, undefined]);
  });

  it('every layer says its measures, and every choice its reason', () => {
    for (const cloth of CLOTH_KEYS) {
      const columns = [2, 4, 8].map((width) => columnUnderlay({}, width, 0.4, recipeOf(cloth)));
      for (const chosen of [...columns, fillUnderlay({}, 9, 0.4, recipeOf(cloth))]) {
        expect(chosen.why.length).toBeGreaterThan(3);
        for (const layer of chosen.value) expect(layer.length ?? layer.spacing).toBeGreaterThan(1);
      }
    }
  });
});

describe('a foundation that is always the same', () => {
  it('gives way to foam and to light cover all the same', () => {
    expect(kindsOf(foundationOf({}, 0.3, ['edge-run', 'zigzag'], 'why'))).toBe('edge-run + zigzag');
    expect(kindsOf(foundationOf({ foam: 2 }, 0.3, ['edge-run'], 'why'))).toBe('');
    expect(kindsOf(foundationOf({}, 0.6, ['edge-run'], 'why'))).toBe('');
    expect(kindsOf(foundationOf({}, 0.59, ['edge-run'], 'why'))).toBe('edge-run');
  });
});

describe('compensation', () => {
  const comp = (own: PieceSettings, widthMm: number, cloth: ClothKey, thinBars = true) => compOf(recipeOf(cloth), own, widthMm, thinBars);
  const compOf = (recipe: ClothRecipe, own: PieceSettings, widthMm: number, thinBars = true) =>
    pullCompFor({ own, widthMm, rowsMm: () => [widthMm / 4, 4 * widthMm], recipe, settings: {}, thinBars });

  it('is the cloth’s at rows of 10 mm, unless someone set it', () => {
    for (const recipe of RECIPES) {
      const { value, from } = compOf(recipe, {}, 10);
      expect(value).toBeCloseTo(recipe.pullComp, 2);
      expect(from).toBe('recipe');
    }
    expect(comp({ pullComp: 0.11 }, 6, 'pique')).toMatchObject({ value: 0.11, from: 'hand', least: 0.11, most: 0.11 });
  });

  it('grows with the row on every cloth, by what people measure', () => {
    for (const recipe of RECIPES.filter((r) => r.pullComp > 0)) {
      const at = [0.5, 1, 2, 3, 6, 10, 20, 40, 80].map((mm) => compOf(recipe, {}, mm, false).value);
      at.slice(1).forEach((mm, i) => expect(mm).toBeGreaterThanOrEqual(at[i]!));
      expect(at[2]).toBeGreaterThan(at[0]!);
      expect(at[5]).toBeGreaterThan(at[2]!);
      expect(at[8]).toBeGreaterThan(at[5]!);
    }
    for (const cloth of ['pique', 'jersey', 'fleece'] as const) {
      for (const mm of [2, 3]) {
        expect(comp({}, mm, cloth, false).value).toBeGreaterThanOrEqual(0.1);
        expect(comp({}, mm, cloth, false).value).toBeLessThanOrEqual(0.27);
      }
    }
    expect(comp({}, 80, 'jersey').value).toBeGreaterThan(1.7);
    expect(comp({}, 80, 'jersey').value).toBeLessThan(2.8);
    expect(comp({}, 80, 'twill').value).toBeGreaterThan(0.3);
    expect(comp({}, 80, 'twill').value).toBeLessThan(0.9);
  });

  it('says what the shortest and the longest row get', () => {
    const { least, value, most } = comp({}, 10, 'pique');
    expect(least).toBeLessThan(value);
    expect(most).toBeGreaterThan(value);
    expect(most).toBe(comp({}, 40, 'pique').value);
  });

  it('none is added on film that holds nothing back', () => {
    expect(comp({}, 40, 'soluble-film').value).toBe(0);
  });

  it('a percentage is shared between both ends of a row', () => {
    expect(comp({ pullCompPercent: 110 }, 5, 'pique').value).toBeCloseTo(0.25);
    expect(comp({ pullCompPercent: 110, pullComp: 0.1 }, 5, 'pique').value).toBe(0.1);
  });

  it('thin bars are widened more on cloth that gives way, and nowhere else', () => {
    expect(comp({}, 2, 'jersey').value).toBeGreaterThanOrEqual(0.5);
    expect(comp({}, 2, 'twill').value).toBeLessThan(recipeOf('twill').pullComp);
    expect(comp({}, 2, 'fleece', false).value).toBeLessThan(recipeOf('fleece').pullComp);
  });

  it('bars are thin below 2.5 mm, and only widened where the cloth gives less', () => {
    expect(comp({}, 2.49, 'pique').value).toBe(0.5);
    expect(comp({}, 2.5, 'pique').value).toBeLessThan(recipeOf('pique').pullComp);
    const generous = { ...recipeOf('pique'), pullComp: 0.6 };
    expect(compOf(generous, {}, 10)).toMatchObject({ value: 0.6, from: 'recipe' });
    const even = { ...recipeOf('pique'), pullComp: 0.5 };
    expect(compOf(even, {}, 2).from).toBe('recipe');
  });

  it('over foam it grows with its thickness', () => {
    const [thin, thick] = [comp({ foam: 2 }, 6, 'cap').value, comp({ foam: 4 }, 6, 'cap').value];
    expect(thin).toBeGreaterThan(recipeOf('cap').pullComp);
    expect(thick - thin).toBeCloseTo(0.4);
  });

  it('open ends are shortened by a little under half a row, never by over 0.4 mm', () => {
    expect(pushCompFor({}, 0.4)).toMatchObject({ value: 0.15, from: 'rule' });
    expect(pushCompFor({}, 0.48).value).toBeCloseTo(0.18);
    expect(pushCompFor({}, 1.05).value).toBeLessThan(0.4);
    expect(pushCompFor({}, 3).value).toBe(0.4);
    expect(pushCompFor({ pushComp: 0 }, 0.4)).toMatchObject({ value: 0, from: 'hand' });
  });
});
