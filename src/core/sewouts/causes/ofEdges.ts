import { dot } from '../../geometry/point';
import { runSeconds } from '../../plan/measure';
import { byRules } from './byRules';
import { RATIO, type Cause, type Evidence, type Remedy } from './cause';
import { recipeFix } from './recipeFix';
import { foundHere, piecesBetween, rowLengthAt, rowsAt, type Scene } from './scene';

/** Rows from this length on draw in noticeably by themselves, mm. */
const LONG_ROW_MM = 12;
/** As much as this under an edge closes it over usual pull (craft §4), mm. */
const OVERLAP_MM = 1;
/** Other pieces between a fill and its outline that already let the cloth move. */
const MANY_BETWEEN = 3;

const deg = (cos: number): string => (cos > 0.5 ? 'meet that edge' : 'run along that edge');

/** How the rows at a gap's edge lie to it, and how long they are. */
function rowsSpeak(scene: Scene): Evidence[] {
  const rows = rowsAt(scene);
  if (!rows || !scene.gap) return [];
  const meets = Math.abs(dot(rows, scene.gap.place.out));
  const length = rowLengthAt(scene);
  if (meets <= 0.5) return [{ words: `Its rows ${deg(meets)}: they pull little there.`, ratio: RATIO.against }];
  if (length === null) return [];
  return length >= LONG_ROW_MM
    ? [{ words: `Its rows ${deg(meets)} and are ${length.toFixed(0)} mm long: long rows draw in.`, ratio: RATIO.some }]
    : [{ words: `Its rows there are ${length.toFixed(0)} mm long: short rows draw in little.`, ratio: 0.7 }];
}

function forecastSpeaks({ gap, mark }: Scene): Evidence[] {
  if (!gap) return [];
  const { gapMm, drawnGapMm } = gap.place;
  const moved = gapMm - drawnGapMm;
  const measured = mark.mm ?? 0.5;
  if (gapMm > 0.15) return [{ words: `The forecast sees it too: ${gapMm.toFixed(1)} mm of cloth there.`, ratio: RATIO.strong }];
  // What the cloth would have to give more than the recipe says before this gap opens.
  const times = (measured - drawnGapMm) / Math.max(moved, 0.05);
  if (times > 2.5)
    return [
      {
        words: `The forecast expects ${moved.toFixed(1)} mm of movement there, not ${(measured - drawnGapMm).toFixed(1)}: the cloth gave far more than its recipe says.`,
        ratio: RATIO.against,
      },
    ];
  return [{ words: `The cloth moved ${(measured - drawnGapMm).toFixed(1)} mm where ${moved.toFixed(1)} was expected.`, ratio: 1.3 }];
}

const pull: Cause = {
  id: 'pull',
  name: 'Pull on long rows',
  physical: false,
  faults: { gap: 0.42, size: 0.5, height: 0.25, overlap: 0.05 },
  evidence: (scene) => [
    ...forecastSpeaks(scene),
    ...rowsSpeak(scene),
    ...foundHere(scene, 'compensation-low').map((f) => ({ words: f.message, ratio: RATIO.strong })),
  ],
  remedies: (scene) => {
    const { piece, gap, mark, shaped } = scene;
    if (mark.kind === 'size') return [moreOfAll(scene)];
    if (!piece || piece.locked) return [];
    if (gap)
      return [
        {
          label: `Extend ‘${piece.name}’ under that edge by ${(mark.mm ?? gap.place.gapMm).toFixed(1)} mm and a little, fading out; ‘${scene.against?.name ?? 'the outline'}’ stays`,
          extend: true,
        },
      ];
    const now = shaped?.settings?.pullComp?.value;
    return now === undefined
      ? []
      : [
          {
            label: `Compensation ${(now + 0.15).toFixed(2)} mm`,
            fix: { label: 'More compensation', pieces: [{ id: piece.id, settings: { pullComp: Math.round((now + 0.15) * 100) / 100 } }] },
          },
        ];
  },
};

/** Compensation of the whole cloth, by half of what is missing at each side. */
function moreOfAll(scene: Scene): Remedy {
  const { context, mark } = scene;
  const { predicted } = context.forecast();
  const missing = mark.mm === undefined ? 0.3 : (mark.axis === 'y' ? predicted.heightMm : predicted.widthMm) - mark.mm;
  const pullComp = Math.round(100 * Math.min(2, Math.max(0, context.recipe.pullComp + missing / 2))) / 100;
  return recipeFix(scene, `Compensation ${pullComp.toFixed(2)} mm for this cloth`, { pullComp });
}

const lateOutline: Cause = {
  id: 'outline-late',
  name: 'Outline sewn long after',
  physical: false,
  faults: { gap: 0.25, shifted: 0.2 },
  evidence(scene) {
    const between = piecesBetween(scene);
    if (between === null || !scene.gap) return foundHere(scene, 'outline-late').map((f) => ({ words: f.message, ratio: RATIO.strong }));
    if (between === 0) return [{ words: 'It is sewn right after: nothing could move the cloth between.', ratio: RATIO.stronglyAgainst }];
    const { context, gap } = scene;
    const events = context.plan.pieces.slice(gap.edge.first + 1, gap.edge.later).reduce((sum, p) => sum + p.stitches, 0);
    const minutes = runSeconds({ stitches: events, trims: 0, stops: 0 }, context.recipe.speed) / 60;
    const words = `${between} other ${between === 1 ? 'piece is' : 'pieces are'} sewn between, ${minutes.toFixed(1)} minutes`;
    const late = between > MANY_BETWEEN || foundHere(scene, 'outline-late', 'border-early').length > 0;
    return [
      late
        ? { words: `${words}: the cloth moves meanwhile.`, ratio: RATIO.strong }
        : { words: `${words}: the cloth has moved little.`, ratio: 0.7 },
    ];
  },
  remedies: (scene) => {
    const { piece, against, gap } = scene;
    const offered = foundHere(scene, 'outline-late').flatMap((f) => (f.fix ? [{ label: f.fix.label, fix: f.fix }] : []));
    if (offered.length > 0) return offered;
    if (!piece || !against || !gap || piecesBetween(scene) === 0) return [];
    const label = `Sew ‘${against.name}’ right after ‘${piece.name}’`;
    return [{ label, fix: { label, sewRightAfter: [{ piece: against.id, after: piece.id }] } }];
  },
};

const noOverlap: Cause = {
  id: 'no-overlap',
  name: 'The pieces do not overlap enough',
  physical: false,
  faults: { gap: 0.15 },
  evidence({ gap }) {
    if (!gap) return [];
    const overlap = -gap.place.drawnGapMm;
    if (overlap >= OVERLAP_MM - 0.1)
      return [{ words: `They overlap ${overlap.toFixed(1)} mm as sewn: enough for usual pull.`, ratio: RATIO.against }];
    return overlap < 0.4
      ? [
          {
            words: `As sewn they overlap ${Math.max(0, overlap).toFixed(1)} mm; two that butt need ${OVERLAP_MM.toFixed(1)}.`,
            ratio: RATIO.strong,
          },
        ]
      : [
          {
            words: `As sewn they overlap ${overlap.toFixed(1)} mm of the ${OVERLAP_MM.toFixed(1)} that two that butt need.`,
            ratio: RATIO.some,
          },
        ];
  },
  remedies: (scene) => [
    ...foundHere(scene, 'overlap-too-small', 'unsewn-slot').flatMap((f) => (f.fix ? [{ label: f.fix.label, fix: f.fix }] : [])),
    ...(scene.piece && scene.gap && !scene.piece.locked
      ? [{ label: `Extend ‘${scene.piece.name}’ under ‘${scene.against?.name ?? ''}’`, extend: true }]
      : []),
  ],
};

const nudged = byRules({
  id: 'outline-nudged',
  name: 'Outlines were moved to suit one sample',
  faults: { gap: 0.05, shifted: 0.25, overlap: 0.2 },
  rules: ['outline-nudged'],
  sound: 'The outline lies where it was drawn.',
});

const compHigh: Cause = {
  id: 'compensation-high',
  name: 'More compensation than this cloth needs',
  physical: false,
  faults: { overlap: 0.5, size: 0.1, height: 0.05 },
  evidence({ shaped, context }) {
    const own = shaped?.settings?.pullComp;
    if (!own || own.from !== 'hand') return [{ words: 'Its compensation is the recipe’s.', ratio: 0.7 }];
    return own.value > 1.3 * context.recipe.pullComp
      ? [
          {
            words: `It was set to ${own.value.toFixed(2)} mm where the recipe says ${context.recipe.pullComp.toFixed(2)}.`,
            ratio: RATIO.strong,
          },
        ]
      : [];
  },
  remedies: ({ piece }) =>
    piece
      ? [
          {
            label: 'As the recipe has it',
            fix: {
              label: 'As the recipe has it',
              pieces: [{ id: piece.id, settings: { pullComp: undefined, pullCompPercent: undefined } }],
            },
          },
        ]
      : [],
};

const push: Cause = {
  id: 'push',
  name: 'Push: rows move out at right angles',
  physical: false,
  faults: { overlap: 0.3, height: 0.1 },
  evidence(scene) {
    const rows = rowsAt(scene);
    if (!rows || !scene.gap) return [];
    return Math.abs(dot(rows, scene.gap.place.out)) < 0.5
      ? [{ words: 'Its rows run along that edge: cloth is pushed out there.', ratio: RATIO.some }]
      : [{ words: 'Its rows end at that edge: they draw in there.', ratio: RATIO.against }];
  },
  remedies: ({ piece, shaped }) => {
    const now = shaped?.settings?.pushComp?.value;
    return piece && now !== undefined
      ? [
          {
            label: `Ends shortened by ${(now + 0.15).toFixed(2)} mm`,
            fix: {
              label: 'More push compensation',
              pieces: [{ id: piece.id, settings: { pushComp: Math.round((now + 0.15) * 100) / 100 } }],
            },
          },
        ]
      : [];
  },
};

/** Causes of edges that do not meet as drawn, and of sizes that differ. */
export const OF_EDGES: readonly Cause[] = [pull, lateOutline, noOverlap, nudged, compHigh, push];
