import type { MarkKind } from '../../document/sewoutTypes';

/** One step of a guided path: something to look at, and what to do when it is so. */
export interface FaultStep {
  id: string;
  /** Answered by yes or no, standing at the machine. */
  ask: string;
  why: string;
  remedy: string;
  caution?: string;
}

/** A fault with its steps, the likeliest and easiest first. */
export interface FaultPath {
  kind: MarkKind;
  name: string;
  sees: string;
  steps: readonly FaultStep[];
}

const STRETCHED: FaultStep = {
  id: 'stretched',
  ask: 'Was the cloth pulled after the hoop was closed, or does it spring back when it is taken out?',
  why: 'Cloth that is stretched in the hoop is sewn while it is long. Out of the hoop it shortens and the thread does not.',
  remedy: 'Hoop it drum-flat but unstretched; a clamping hoop holds without stretching.',
};
const LOOSE: FaultStep = {
  id: 'loose',
  ask: 'Does the cloth give when you press a finger into the middle of the hoop?',
  why: 'Loose cloth follows the thread: it is lifted by the needle and drawn in by every row.',
  remedy: 'Hoop it anew, cloth and stabilizer together, tight as a drum.',
};
const LAYERS: FaultStep = {
  id: 'stabilizer',
  ask: 'Is the stabilizer lighter than the cloth’s recipe asks for, or torn along dense lines?',
  why: 'The lighter the cloth, the heavier the stabilizer. Tear-away weakens along dense lines; cutaway keeps its strength under many holes.',
  remedy: 'A heavier stabilizer, or one more layer: three at most, then a heavier one.',
};
const WEIGHT: FaultStep = {
  id: 'weight',
  ask: 'Is the cloth under 150 g/m² and the backing under 60?',
  why: 'Thin cloth does not carry full cover by itself.',
  remedy: 'Take backing of 75 g/m² or more, or two soft layers where it would show through.',
};
const NEEDLE: FaultStep = {
  id: 'needle',
  ask: 'Is the needle older than a week’s work, bent, or of another point than the cloth wants?',
  why: 'A blunt needle pushes cloth down instead of piercing it, and frays the thread. Knits want ballpoints, woven cloth sharps.',
  remedy: 'Put in a new needle of the size and point that the recipe names.',
  caution: 'Switch the machine off before you change a needle. Wear eye protection on thick work: needles break.',
};
const SPEED: FaultStep = {
  id: 'speed',
  ask: 'Does it run faster than the cloth’s recipe says?',
  why: 'Faster sewing pulls the thread tighter and heats it. Polyester stretches where rayon would snap, so it stays unnoticed.',
  remedy: 'Slow down to the recipe’s speed, on light cloth by another hundred a minute.',
};
const TIGHT: FaultStep = {
  id: 'tight',
  ask: 'Seen from the back, is there less than a quarter of bobbin thread in the middle of a column?',
  why: 'Then the upper thread is too tight: it draws the cloth together and breaks.',
  remedy: 'Loosen the upper tension until a third of bobbin thread shows.',
};
const SLACK: FaultStep = {
  id: 'slack',
  ask: 'Seen from the back, is there hardly any bobbin thread, or none?',
  why: 'Then the upper thread is too loose, or it missed a guide: it is not drawn down flat.',
  remedy: 'Thread it anew through every guide, then tighten the upper tension.',
  caution: 'Keep fingers away from the needle: stop the machine before you thread it.',
};
const THREADED: FaultStep = {
  id: 'threading',
  ask: 'Does the thread catch anywhere on its way: at the cone, a guide, the needle’s eye?',
  why: 'A thread that catches is tight at one stitch and loose at the next.',
  remedy: 'Free its way, put a net over a slippery cone, and thread it anew.',
};
const THREAD: FaultStep = {
  id: 'thread',
  ask: 'Is the thread old, brittle, or thicker than the needle’s eye likes?',
  why: 'Metallic, thick and old threads fray in a small eye.',
  remedy: 'Take a fresh cone, or a larger eye: a size 80/12 or 90/14 for thick thread.',
};
const BOBBIN: FaultStep = {
  id: 'bobbin',
  ask: 'Is there lint in the bobbin case, or is the bobbin wound unevenly?',
  why: 'Lint under its spring lets the bobbin thread run free.',
  remedy: 'Brush it out, put in a fresh bobbin, and hang the case by its thread: it should just not slide.',
  caution: 'Switch the machine off first and follow its manual.',
};
const PLAN = (what: string): FaultStep => ({
  id: 'plan',
  ask: `Does it happen at the same place each time?`,
  why: 'What comes back at one place is in the plan, not in the machine.',
  remedy: `Mark it at its place on the photo or the plan: Cobble looks for ${what} there.`,
});

/** Faults of the physical side, each with its path. */
export const FAULT_PATHS: readonly FaultPath[] = [
  {
    kind: 'pucker',
    name: 'Pucker',
    sees: 'The cloth ripples round the work.',
    steps: [STRETCHED, LAYERS, WEIGHT, TIGHT, SPEED, NEEDLE, PLAN('too much thread')],
  },
  {
    kind: 'loop',
    name: 'Loops',
    sees: 'Thread stands up from the cloth.',
    steps: [SLACK, THREADED, BOBBIN, LOOSE, PLAN('underlay in columns too thin for it')],
  },
  {
    kind: 'break',
    name: 'Thread breaks',
    sees: 'The thread snaps or frays.',
    steps: [THREADED, NEEDLE, TIGHT, THREAD, SPEED, PLAN('short stitches, many holes and many layers')],
  },
  {
    kind: 'nest',
    name: 'Nests',
    sees: 'Thread bunches up under the plate.',
    steps: [SLACK, LOOSE, BOBBIN, NEEDLE, PLAN('stitches under 0.4 mm')],
  },
  {
    kind: 'hoop-marks',
    name: 'Hoop marks',
    sees: 'A ring stays on the cloth.',
    steps: [
      {
        id: 'ring',
        ask: 'Is it held by a screwed ring?',
        why: 'A ring grips by crushing the cloth; pile and coated cloth keep the mark.',
        remedy: 'Take a clamping hoop, or hoop the stabilizer alone and lay the cloth on it.',
        caution: 'Spray adhesive is flammable: ventilate, and keep it away from the machine.',
      },
      STRETCHED,
      {
        id: 'steam',
        ask: 'Is the mark only pressed, not shiny?',
        why: 'Pressed fibres rise again with moisture and warmth.',
        remedy: 'Steam it from the back, without pressing, and brush the pile.',
        caution: 'Steam and irons burn; follow the cloth’s care label.',
      },
    ],
  },
  {
    kind: 'shifted',
    name: 'Shifting',
    sees: 'Parts do not sit where they were drawn.',
    steps: [LOOSE, LAYERS, STRETCHED, SPEED, PLAN('outlines that come long after their fills')],
  },
  { kind: 'bobbin', name: 'Bobbin shows', sees: 'White thread shows on top.', steps: [TIGHT, BOBBIN, THREADED, SPEED] },
];
