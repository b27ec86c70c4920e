import type { UnderlayLayer } from '../../document/types';
import { formOf } from '../../pieces/registry';
import { bareTies, tieRemedies } from '../corrections/tieRemedies';
import { byRules } from './byRules';
import { whatCarries } from './carrying';
import { RATIO, type Cause, type Evidence, type Remedy } from './cause';
import { liesOnNothing, type Scene } from './scene';

/** Columns narrower than this hold no underlay: its thread loops out (craft §4), mm. */
const THIN_COLUMN_MM = 1.5;
/** From this width on an edge is held by a run along it, mm. */
const EDGE_RUN_FROM_MM = 3;

const underlayOf = ({ shaped }: Scene): readonly UnderlayLayer[] => shaped?.settings?.underlay?.value ?? [];
const widthOf = ({ shaped }: Scene): number | null => shaped?.shape?.facts.widthMm ?? null;

const mm = (v: number): string => `${v.toFixed(1)} mm`;

function opened({ piece, shaped }: Scene): Remedy[] {
  const spacing = shaped?.settings?.spacing?.value;
  if (!piece || spacing === undefined) return [];
  const wider = Math.round(spacing * 115) / 100;
  return [
    {
      label: `Open its rows to ${wider.toFixed(2)} mm`,
      fix: { label: 'Open rows', pieces: [{ id: piece.id, settings: { spacing: wider } }] },
    },
  ];
}

const tooDense = byRules({
  id: 'too-dense',
  name: 'Too much thread for this cloth',
  faults: { pucker: 0.2, stiff: 0.25, break: 0.05, nest: 0.05 },
  rules: ['too-heavy', 'cover-too-dense'],
  sound: 'The cloth with its stabilizer carries as much thread as this.',
  instead: (scene) => [...whatCarries(scene), ...opened(scene)],
});

const coverOnCover = byRules({
  id: 'cover-on-cover',
  name: 'Full cover on full cover',
  faults: { stiff: 0.45, break: 0.25, nest: 0.2, pucker: 0.05, lump: 0.1 },
  rules: ['layers-stacked', 'cover-twice', 'opening-carved'],
  sound: 'Nowhere near lie more layers than bend well.',
});

const heavyUnderlay = byRules({
  id: 'underlay-heavy',
  name: 'Underlay too heavy',
  faults: { stiff: 0.2, lump: 0.05 },
  rules: ['underlay-too-heavy'],
  sound: 'Its underlay is as light as usual.',
});

const thinUnderlay: Cause = {
  id: 'underlay-in-thin-column',
  name: 'Underlay in columns too thin for it',
  physical: false,
  faults: { loop: 0.5, ragged: 0.1 },
  evidence(scene) {
    const [width, underlay] = [widthOf(scene), underlayOf(scene)];
    if (width === null || !scene.piece || formOf(scene.piece) !== 'column') return [];
    if (underlay.length === 0) return [{ words: 'It has no underlay that could loop out.', ratio: RATIO.stronglyAgainst }];
    if (width < THIN_COLUMN_MM)
      return [{ words: `It is ${mm(width)} wide and has underlay, which has no room under ${mm(THIN_COLUMN_MM)}.`, ratio: RATIO.decides }];
    return [{ words: `It is ${mm(width)} wide: its underlay has room.`, ratio: RATIO.against }];
  },
  remedies: ({ piece }) =>
    piece
      ? [{ label: 'Sew it without underlay', fix: { label: 'No underlay', pieces: [{ id: piece.id, settings: { underlay: [] } }] } }]
      : [],
};

const alongBelow = byRules({
  id: 'along-below',
  name: 'Its rows run along those beneath',
  faults: { ragged: 0.5, lost: 0.1 },
  rules: ['direction-as-below'],
  sound: 'Its rows cross those beneath.',
  never: (scene) => (liesOnNothing(scene) ? 'Nothing is sewn beneath it.' : null),
});

const noEdgeRun: Cause = {
  id: 'no-edge-run',
  name: 'Nothing holds its edge',
  physical: false,
  faults: { ragged: 0.3, 'show-through': 0.05 },
  evidence(scene) {
    const [width, underlay] = [widthOf(scene), underlayOf(scene)];
    if (width === null || !scene.piece || formOf(scene.piece) === 'line') return [];
    if (underlay.some((l) => l.kind === 'edge-run')) return [{ words: 'A run holds its edge.', ratio: RATIO.stronglyAgainst }];
    if (width < EDGE_RUN_FROM_MM) return [{ words: `At ${mm(width)} wide it needs no run along its edge.`, ratio: RATIO.against }];
    return [{ words: `It is ${mm(width)} wide and no run lies along its edge.`, ratio: RATIO.strong }];
  },
  remedies: (scene) => {
    const { piece } = scene;
    if (!piece) return [];
    const underlay: UnderlayLayer[] = [{ kind: 'edge-run' }, ...underlayOf(scene).filter((l) => l.kind !== 'centre-run')];
    return [{ label: 'A run along its edge under it', fix: { label: 'Edge run', pieces: [{ id: piece.id, settings: { underlay } }] } }];
  },
};

const tooThin = byRules({
  id: 'too-thin',
  name: 'Narrower than the cloth’s texture',
  faults: { lost: 0.5, ragged: 0.05 },
  rules: ['line-too-thin', 'satin-too-narrow', 'small-letter'],
  sound: 'It is wide enough for this cloth.',
  more: (scene) => {
    const width = widthOf(scene);
    const fine = width !== null && width < 1 && scene.piece !== null && formOf(scene.piece) !== 'line';
    return fine ? [{ words: `It is ${mm(width)} wide: about two threads.`, ratio: RATIO.strong }] : [];
  },
});

const shortComp = byRules({
  id: 'compensation-short',
  name: 'Short on compensation',
  faults: { lost: 0.2, height: 0.05, size: 0.15 },
  rules: ['compensation-low'],
  sound: 'Its compensation is what the cloth’s recipe adds.',
});

const noOvershoot = byRules({
  id: 'no-overshoot',
  name: 'Round letters drawn no taller than flat ones',
  faults: { height: 0.55 },
  rules: ['letter-heights'],
  sound: 'Round letters are predicted as high as flat ones.',
});

const tiesPiled = byRules({
  id: 'ties-piled',
  name: 'Ties piled up, or many starts at one point',
  faults: { lump: 0.7, break: 0.05, nest: 0.1 },
  rules: ['ties-piled', 'tie-doubled'],
  sound: 'No ties lie on one another here.',
  instead: tieRemedies,
});

const bareEnds: Cause = {
  id: 'ties-bare',
  name: 'Ties at an end that nothing covers',
  physical: false,
  faults: { lump: 0.15, unravelled: 0.1, nest: 0.03 },
  evidence(scene) {
    const bare = bareTies(scene);
    return bare > 0
      ? [
          {
            words: `Ties of ${bare === 1 ? 'a narrow piece' : `${bare} narrow pieces`} lie bare there, though ${bare === 1 ? 'its other end is' : 'their other ends are'} on or under something.`,
            ratio: RATIO.strong,
          },
        ]
      : [{ words: 'No narrow piece is tied at a bare end there.', ratio: RATIO.against }];
  },
  remedies: tieRemedies,
};

const shortStitches = byRules({
  id: 'short-stitches',
  name: 'Stitches too short',
  faults: { break: 0.4, nest: 0.4, lump: 0.1 },
  rules: ['stitch-too-short'],
  sound: 'Hardly a stitch is shorter than 0.3 mm.',
  instead: ({ piece }) =>
    piece
      ? [
          {
            label: 'Simplify its shape: short stitches come of nodes that lie close',
            fix: { label: 'Longer stitches', pieces: [{ id: piece.id, settings: { stitchLength: 3 } }] },
          },
        ]
      : [],
});

const holesCrowded = byRules({
  id: 'holes-crowded',
  name: 'Too many holes in one spot',
  faults: { break: 0.15, nest: 0.15, unravelled: 0.05 },
  rules: ['holes-crowded'],
  sound: 'Holes lie as far apart as usual.',
});

const tooOpen = byRules({
  id: 'cover-open',
  name: 'Rows too far apart',
  faults: { 'show-through': 0.35 },
  rules: ['cover-too-open', 'foam-too-open', 'cover-missing'],
  sound: 'Its rows lie as close as its thread needs.',
  instead: ({ piece, shaped }) => {
    const spacing = shaped?.settings?.spacing?.value;
    if (!piece || spacing === undefined) return [];
    const closed = Math.round(spacing * 90) / 100;
    return [
      {
        label: `Close its rows to ${closed.toFixed(2)} mm`,
        fix: { label: 'Close rows', pieces: [{ id: piece.id, settings: { spacing: closed } }] },
      },
    ];
  },
});

const noUnderlay = byRules({
  id: 'no-underlay',
  name: 'No foundation under it',
  faults: { 'show-through': 0.2, ragged: 0.05, lost: 0.05 },
  rules: ['underlay-missing', 'underlay-along-cover'],
  sound: 'Its foundation is what its width asks for.',
});

const foamEnds = byRules({
  id: 'foam-ends',
  name: 'Open ends over foam',
  faults: { 'show-through': 0.12 },
  rules: ['foam-open-end'],
  sound: 'There is no open end over foam here.',
});

const splitRows: Cause = {
  id: 'split-rows',
  name: 'Rows divided needlessly, or sewn at the wrong direction',
  physical: false,
  faults: { 'show-through': 0.2 },
  evidence(scene) {
    const { piece, shaped, context } = scene;
    const limit = shaped?.settings?.satinLimit?.value;
    if (!piece || formOf(piece) !== 'column' || limit === undefined) return [];
    const widest = Math.max(0, ...[context.plan.pieces[scene.index]?.widthMm ?? 0, widthOf(scene) ?? 0]);
    return widest > limit
      ? [{ words: `It is ${mm(widest)} wide and its rows are divided above ${mm(limit)}: they look thin and sink.`, ratio: RATIO.decides }]
      : [{ words: `Its rows are sewn whole, up to ${mm(widest)}.`, ratio: RATIO.stronglyAgainst }];
  },
  remedies: (scene) => {
    const { piece } = scene;
    const width = widthOf(scene);
    if (!piece || width === null) return [];
    const limit = Math.min(12, Math.ceil(width + 0.5));
    return [
      ...(width <= 12
        ? [
            {
              label: `Sew its rows whole, up to ${limit} mm`,
              fix: { label: 'Rows whole', pieces: [{ id: piece.id, settings: { satinLimit: limit } }] },
            },
          ]
        : []),
      {
        label: 'Sew what is too wide as a fill',
        fix: { label: 'As a fill', pieces: [{ id: piece.id, settings: { overLimit: 'fill' as const } }] },
      },
    ];
  },
};

const noTies = byRules({
  id: 'no-ties',
  name: 'The thread is not locked',
  faults: { unravelled: 0.65, loop: 0.05 },
  rules: ['tie-missing', 'thread-unheld'],
  sound: 'Thread is locked wherever it is cut.',
});

const lightOverDark: Evidence = { words: 'A light thread lies over a dark one.', ratio: RATIO.some };
const wrongThread: Cause = {
  id: 'wrong-thread',
  name: 'Another thread was on the needle, or it came in the wrong order',
  physical: true,
  faults: { colour: 0.7 },
  evidence: ({ setup }) => (setup.testThread ? [{ words: 'It was sewn with a test thread.', ratio: RATIO.strong }] : []),
  remedies: () => [
    {
      label: 'Check the cones against the worksheet’s thread order',
      byHand: 'Compare each needle’s cone with the list on the worksheet before sewing.',
    },
  ],
};
const beneathShows = byRules({
  id: 'beneath-shows',
  name: 'What lies beneath shows through the thread',
  faults: { colour: 0.3, 'show-through': 0.1 },
  rules: ['light-cover-colour', 'travel-visible'],
  sound: 'Nothing of another colour runs beneath it in sight.',
  more: ({ found }) => (found('light-cover-colour').length > 0 ? [lightOverDark] : []),
});

/** Causes that lie in the plan, other than those of edges that should meet. */
export const OF_PLAN: readonly Cause[] = [
  tooDense,
  coverOnCover,
  heavyUnderlay,
  thinUnderlay,
  alongBelow,
  noEdgeRun,
  tooThin,
  shortComp,
  noOvershoot,
  tiesPiled,
  bareEnds,
  shortStitches,
  holesCrowded,
  tooOpen,
  noUnderlay,
  foamEnds,
  splitRows,
  noTies,
  wrongThread,
  beneathShows,
];
