import { stabilizerFor } from '../../cloth/house';
import { recipeOf } from '../../cloth/recipes';
import { planBounds } from '../../stitches/planBounds';
import { RATIO, type Cause, type Evidence } from './cause';
import { oneLayerMore, whatCarries } from './carrying';
import { recipeFix } from './recipeFix';
import { heldShare } from './scene';

const noted = (value: unknown, words: string): Evidence[] => (value === undefined ? [{ words, ratio: 1 }] : []);

/** So much less than the recipe's stabilizer does not carry the work. */
const TOO_LIGHT = 0.7;
const ENOUGH = 0.95;

const stabilizer: Cause = {
  id: 'stabilizer-light',
  name: 'Stabilizer too light for this cloth',
  physical: true,
  faults: { pucker: 0.34, gap: 0.1, ragged: 0.08, shifted: 0.15, size: 0.15, stiff: 0.01, lost: 0.03 },
  evidence(scene) {
    const { context, setup } = scene;
    const share = heldShare(scene);
    const words = `‘${stabilizerFor(context.recipe, context.job.settings)}’`;
    const usual = recipeOf(context.recipe.key);
    if (share < TOO_LIGHT)
      return [
        {
          words: `${words} holds ${Math.round(100 * share)} % of what ${usual.name.toLowerCase()} wants (${usual.stabilizer}).`,
          ratio: RATIO.decides * 2,
        },
      ];
    const light: Evidence[] =
      setup.clothGsm !== undefined && setup.clothGsm < 130 && setup.backingGsm !== undefined && setup.backingGsm < 60
        ? [
            {
              words: `The lighter the cloth, the heavier the stabilizer: ${setup.backingGsm} g/m² under cloth of ${setup.clothGsm} g/m².`,
              ratio: RATIO.strong,
            },
          ]
        : [];
    if (setup.stabilizer === undefined && light.length === 0) return [{ words: 'The stabilizer was not noted.', ratio: 1 }];
    return light.length > 0
      ? light
      : [{ words: `${words} is what this cloth wants.`, ratio: share >= ENOUGH ? RATIO.stronglyAgainst : RATIO.against }];
  },
  remedies: (scene) => {
    const usual = recipeOf(scene.context.recipe.key).stabilizer.split(', or ')[0]!;
    const isUsual = heldShare(scene) >= ENOUGH;
    const heavy = whatCarries(scene);
    if (isUsual && heavy.length > 0) return heavy;
    const words = isUsual ? (oneLayerMore(usual) ?? usual) : usual;
    return [recipeFix(scene, isUsual ? `A further layer: ${words}` : `Stabilizer: ${usual}`, { stabilizer: words })];
  },
};

const stretched: Cause = {
  id: 'stretched-in-hoop',
  name: 'Cloth stretched in the hoop',
  physical: true,
  faults: { pucker: 0.24, 'hoop-marks': 0.3, size: 0.15, shifted: 0.1, gap: 0.02 },
  evidence: ({ setup, context }) => [
    ...noted(setup.hooping, 'How it was hooped was not noted.'),
    ...(setup.hooping === 'stretched'
      ? [{ words: 'It was noted as stretched: it springs back when it comes out.', ratio: RATIO.decides }]
      : []),
    ...(setup.hooping === 'drum-flat' ? [{ words: 'It was hooped drum-flat, not stretched.', ratio: RATIO.stronglyAgainst }] : []),
    ...(context.recipe.unstable && setup.hooping === undefined ? [{ words: 'Knits and pile stretch easily.', ratio: 1.3 }] : []),
  ],
  remedies: () => [
    {
      label: 'Hoop it drum-flat but unstretched',
      byHand: 'Lay the cloth, close the hoop, and do not pull at the cloth afterwards. A clamping hoop holds without stretching.',
    },
  ],
};

const loose: Cause = {
  id: 'loose-hooping',
  name: 'Cloth loose in the hoop',
  physical: true,
  faults: { gap: 0.1, shifted: 0.4, pucker: 0.08, nest: 0.05, loop: 0.05 },
  evidence: ({ setup }) => [
    ...noted(setup.hooping, 'How it was hooped was not noted.'),
    ...(setup.hooping === 'loose' ? [{ words: 'It was noted as loose: the cloth follows the thread.', ratio: RATIO.decides }] : []),
    ...(setup.hooping === 'drum-flat' ? [{ words: 'It was hooped drum-flat.', ratio: RATIO.stronglyAgainst }] : []),
  ],
  remedies: () => [
    { label: 'Hoop it drum-flat', byHand: 'Cloth and stabilizer together, tight enough to sound like a drum, not stretched.' },
  ],
};

const FASTER = 1.15;

const tension: Cause = {
  id: 'tension-tight',
  name: 'Tension too high, or too fast',
  physical: true,
  faults: { pucker: 0.2, break: 0.15, bobbin: 0.6, gap: 0.04, size: 0.05 },
  evidence: ({ setup, context: { recipe } }) => {
    const usual = recipeOf(recipe.key).speed;
    return [
      ...noted(setup.tension, 'Tension was not noted.'),
      ...(setup.tension === 'tight' ? [{ words: 'Tension was noted as tight.', ratio: RATIO.strong }] : []),
      ...(setup.tension === 'usual' || setup.tension === 'loose' ? [{ words: `Tension was ${setup.tension}.`, ratio: RATIO.against }] : []),
      ...(recipe.speed > FASTER * usual
        ? [{ words: `${recipe.speed} stitches a minute; this cloth’s recipe says ${usual}.`, ratio: RATIO.strong }]
        : []),
      ...(setup.fibre === 'polyester' && setup.tension !== 'usual'
        ? [{ words: 'Polyester stretches where rayon would snap: too much tension stays unnoticed.', ratio: 1.5 }]
        : []),
    ];
  },
  remedies: (scene) => {
    const usual = recipeOf(scene.context.recipe.key).speed;
    return [
      ...(scene.context.recipe.speed > usual ? [recipeFix(scene, `Slow down to ${usual} a minute`, { speed: usual })] : []),
      {
        label: 'Loosen the upper thread',
        byHand: 'Turn it down until a third of the bobbin thread shows in the middle of a test column’s back.',
      },
    ];
  },
};

const tensionLoose: Cause = {
  id: 'tension-loose',
  name: 'Upper tension too low',
  physical: true,
  faults: { loop: 0.35, nest: 0.1 },
  evidence: ({ setup }) => [
    ...noted(setup.tension, 'Tension was not noted.'),
    ...(setup.tension === 'loose' ? [{ words: 'Tension was noted as loose.', ratio: RATIO.decides }] : []),
    ...(setup.tension === 'usual' || setup.tension === 'tight' ? [{ words: `Tension was ${setup.tension}.`, ratio: RATIO.against }] : []),
  ],
  remedies: () => [{ label: 'Tighten the upper thread', byHand: 'Thread it anew first: a thread that missed a guide loops too.' }],
};

const bobbinLoose: Cause = {
  id: 'bobbin-loose',
  name: 'Bobbin tension too low, or lint in its case',
  physical: true,
  faults: { bobbin: 0.35, nest: 0.05 },
  evidence: () => [],
  remedies: () => [{ label: 'Clean the bobbin case and check its tension', byHand: 'Switch the machine off first; follow its manual.' }],
};

const needle: Cause = {
  id: 'needle',
  name: 'Needle worn, or the wrong one for cloth and thread',
  physical: true,
  faults: { break: 0.15, nest: 0.1, ragged: 0.05, lost: 0.02 },
  evidence: ({ context: { recipe }, setup }) => {
    const point = (words: string): string | undefined => ['sharp', 'ballpoint', 'wedge'].find((p) => words.includes(p));
    const [had, wants] = [point(setup.needle ?? recipe.needle), point(recipeOf(recipe.key).needle)];
    if (!setup.needle && had === wants) return [{ words: 'The needle was not noted.', ratio: 1 }];
    return had !== undefined && had !== wants
      ? [{ words: `A ${had} needle where this cloth wants ${wants ?? 'another'}.`, ratio: RATIO.strong }]
      : [{ words: 'The needle suits the cloth; how worn it is nobody noted.', ratio: 0.8 }];
  },
  remedies: (scene) => [
    recipeFix(scene, `Needle: ${recipeOf(scene.context.recipe.key).needle}`, { needle: recipeOf(scene.context.recipe.key).needle }),
    { label: 'A new needle', byHand: 'Change it with the machine switched off. Wear eye protection on thick work: needles break.' },
  ],
};

const SINKS = new Set(['terry', 'fleece', 'pique']);

const noTopping: Cause = {
  id: 'no-topping',
  name: 'Stitches sink: no topping',
  physical: true,
  faults: { lost: 0.28, 'show-through': 0.1, ragged: 0.07 },
  evidence: ({ setup, context: { recipe } }) => {
    const wants = recipeOf(recipe.key).topping === 'film';
    if (setup.topping === true) return [{ words: 'A film lay on top.', ratio: RATIO.stronglyAgainst }];
    if (setup.topping === false || recipe.topping === 'none')
      return wants
        ? [{ words: 'This cloth has a pile, and no film lay on top.', ratio: RATIO.decides }]
        : SINKS.has(recipe.key)
          ? [{ words: 'No film lay on a textured cloth.', ratio: RATIO.some }]
          : [{ words: 'This cloth is smooth.', ratio: RATIO.against }];
    return [{ words: 'Topping was not noted.', ratio: wants ? 1 : 0.7 }];
  },
  remedies: (scene) => [recipeFix(scene, 'A film on top', { topping: 'film' })],
};

/** Nearer to the ring cloth is creased and held unevenly, mm. */
const NEAR_RING_MM = 10;

const ringTight: Cause = {
  id: 'ring-tight',
  name: 'The ring pressed the cloth',
  physical: true,
  faults: { 'hoop-marks': 0.7 },
  evidence: ({ setup, context: { plan, job } }) => {
    const { minX, minY, maxX, maxY } = planBounds(plan);
    const { width, height } = job.brief.hoop;
    const edge = Math.min(width / 2 + minX, width / 2 - maxX, height / 2 + minY, height / 2 - maxY);
    return [
      ...(setup.hoopKind === 'screw' ? [{ words: 'A screw hoop grips by its ring.', ratio: RATIO.some }] : []),
      ...(setup.hoopKind === 'clamp' ? [{ words: 'A clamping hoop leaves no ring.', ratio: RATIO.stronglyAgainst }] : []),
      ...(edge < NEAR_RING_MM ? [{ words: `The work comes within ${Math.max(0, edge).toFixed(0)} mm of the ring.`, ratio: 1.3 }] : []),
    ];
  },
  remedies: () => [
    {
      label: 'A clamping hoop, or hoop only the stabilizer',
      byHand: 'Hold the cloth by a clamping hoop, or lay it on hooped stabilizer. Steam lifts light marks: caution, hot.',
    },
  ],
};

const trimmedShort: Cause = {
  id: 'trimmed-short',
  name: 'Thread cut too close, or the wrong wash',
  physical: true,
  faults: { unravelled: 0.3 },
  evidence: () => [],
  remedies: () => [
    { label: 'Leave a little more thread at cuts', byHand: 'Have the trimmer leave longer ends, and follow the thread’s washing sheet.' },
  ],
};

/** Causes that lie in hooping, stabilizer, needle, thread and machine. */
export const OF_HOLDING: readonly Cause[] = [
  stabilizer,
  stretched,
  loose,
  tension,
  tensionLoose,
  bobbinLoose,
  needle,
  noTopping,
  ringTight,
  trimmedShort,
];
