import { openFindings, stepFinding } from '../panels/findingSteps';
import { toast } from '@/session/notice';
import { mirroredAbout, movedBy } from '@/core/editing/transform';
import type { Piece } from '@/core/document/types';
import { copyPieces, movePiece, transformPieces } from '@/session/edit/commands';
import { fit, panBy, zoomAt } from '@/session/view/cameraStore';
import { copyToClipboard, hasCopy, pasteFromClipboard } from '@/session/edit/clipboard';
import { useJob } from '@/session/job/jobStore';
import { moveColour, sewInSequence } from '@/session/edit/orderCommands';
import { useProof } from '@/session/derived/proofStore';
import { closeRoute, openRoute, useRoute } from '@/session/derived/routeStore';
import { hideInPictures } from '@/session/derived/planStore';
import { group, joinChosen, simplifyChosen, toggleLock, ungroup } from '@/session/edit/shapeCommands';
import { chosenIds, hideChosen, select, selectAll, useView } from '@/session/view/viewStore';
import { keyCommand, type KeyCommand } from '../../commands/keys';
import { removeSaying } from '../card/removeSaying';
import { giveUp, takeTool } from './inHand';
import { toolInHand, TOOLS } from './registry';
import { playFrom, stepBy, togglePlay } from '../threadline/player';

function withSelected(run: (id: string, index: number) => void): () => void {
  return () => {
    const id = useView.getState().selected;
    const index = useJob.getState().job?.pieces.findIndex((p) => p.id === id) ?? -1;
    if (id && index >= 0) run(id, index);
  };
}

function selectNeighbour(step: number): void {
  const pieces = useJob.getState().job?.pieces ?? [];
  const at = pieces.findIndex((p) => p.id === useView.getState().selected);
  const next = pieces[at < 0 ? (step > 0 ? 0 : pieces.length - 1) : Math.min(pieces.length - 1, Math.max(0, at + step))];
  if (next) select(next.id);
}

/** Chooses every piece that is like the chosen one. */
function selectLike(like: (a: Piece, b: Piece) => boolean): void {
  const pieces = useJob.getState().job?.pieces ?? [];
  const model = pieces.find((p) => p.id === useView.getState().selected);
  if (model) selectAll([model.id, ...pieces.filter((p) => p.id !== model.id && like(p, model)).map((p) => p.id)]);
}

export function fitHoop(): void {
  const hoop = useJob.getState().job?.brief.hoop;
  if (hoop) fit(hoop.width, hoop.height);
}

const LOOKS = ['thread', 'needle', 'path', 'weight', 'pull', 'photo'] as const;

const NUDGES: readonly [string, string, number, number][] = [
  ['Nudge left by 0.1 mm', 'ArrowLeft', -0.1, 0],
  ['Nudge right by 0.1 mm', 'ArrowRight', 0.1, 0],
  ['Nudge up by 0.1 mm', 'ArrowUp', 0, -0.1],
  ['Nudge down by 0.1 mm', 'ArrowDown', 0, 0.1],
  ['Nudge left by 1 mm', 'Shift+ArrowLeft', -1, 0],
  ['Nudge right by 1 mm', 'Shift+ArrowRight', 1, 0],
  ['Nudge up by 1 mm', 'Shift+ArrowUp', 0, -1],
  ['Nudge down by 1 mm', 'Shift+ArrowDown', 0, 1],
];

/** Pixels by which an arrow key moves the view. */
const STEP_PX = 60;
const MOVES: readonly [string, string, number, number][] = [
  ['left', 'Ctrl+ArrowLeft', 1, 0],
  ['right', 'Ctrl+ArrowRight', -1, 0],
  ['up', 'Ctrl+ArrowUp', 0, 1],
  ['down', 'Ctrl+ArrowDown', 0, -1],
];

/** Arrow keys move what is chosen; with nothing chosen, the view. */
function nudge(dx: number, dy: number): void {
  if (chosenIds().length > 0) transformPieces(chosenIds(), 'Nudge', movedBy(dx, dy));
  else panBy(-Math.sign(dx) * STEP_PX, -Math.sign(dy) * STEP_PX);
}

const say = (refusal: string | null): void => void (refusal && toast.error(refusal));

function toggleHidden(): void {
  hideChosen();
  void hideInPictures();
}

function removeChosen(): void {
  const { parts } = toolInHand();
  if (parts) toast(parts);
  else removeSaying(chosenIds());
}

const needsChosen = (): string | null => (chosenIds().length > 0 ? null : 'Choose a piece first.');
const needsSeveral = (): string | null => (chosenIds().length > 1 ? null : 'Choose two or more pieces first.');
const needsDrawing = (): string | null => (toolInHand().press ? null : 'Nothing is being drawn.');
const needsFindings = (): string | null =>
  openFindings(useProof.getState().findings).length > 0 ? null : 'The proof finds nothing that is left to look at.';
const needsCopy = (): string | null => (hasCopy() ? null : 'Nothing was copied yet.');

/** Commands that have a button as well as a key. Space held over the cloth moves the view, so sewing begins when it comes up. */
export const SEW: KeyCommand = {
  ...keyCommand('Sew, or stop sewing; held, a drag moves the view', 'Space', togglePlay),
  whenReleased: true,
};
export const STITCH_ON = keyCommand('One stitch on', '.', () => stepBy(1));
export const STITCH_BACK = keyCommand('One stitch back', ',', () => stepBy(-1));
export const ALL_SEWN = keyCommand('All sewn', 'End', () => useView.setState({ playhead: null, playing: false }));
export const TOGGLE_PATH = keyCommand('The path: a better order, and why the thread is cut', 'Ctrl+Enter', () =>
  useRoute.getState().open ? closeRoute() : openRoute(),
);
const REMOVE_CHOSEN = keyCommand('Remove what is chosen', 'Delete', removeChosen, needsChosen);
const CHOOSE_NOTHING = keyCommand('Give up what is being drawn, put the tool away, choose nothing', 'Escape', () => {
  const { gesture } = useView.getState();
  if (gesture) {
    useJob.getState().rollBack(gesture);
    useView.setState({ gesture: null });
  } else if (!giveUp()) select(null);
});
export const TOGGLE_OVERLAPS = keyCommand('Overlaps of neighbours on or off', ';', () =>
  useView.setState((s) => ({ showMeetings: !s.showMeetings })),
);
export const TOGGLE_HIDDEN = keyCommand('Hide what is chosen, or show everything', 'Z', toggleHidden);
export const JOIN = keyCommand('Join what is chosen', 'J', () => say(joinChosen(chosenIds())), needsSeveral);
export const FEWEST_NODES = keyCommand('Fewest nodes that hold the shape', 'S', () => say(simplifyChosen(chosenIds(), 0.05)), needsChosen);
export const GROUP = keyCommand('Group what is chosen', 'F', () => group(chosenIds()), needsSeveral);
export const UNGROUP = keyCommand('Ungroup', 'Ctrl+F', () => ungroup(chosenIds()), needsChosen);
export const TOGGLE_LOCK = keyCommand('Lock or unlock what is chosen', 'O', () => toggleLock(chosenIds()), needsChosen);

const REPLAY = [SEW, STITCH_ON, STITCH_BACK, keyCommand('From the first stitch', 'Home', () => playFrom(0)), ALL_SEWN];

const ORDER = [
  keyCommand('Next piece in the sewing order', 'N', () => selectNeighbour(1)),
  keyCommand('Piece before', 'B', () => selectNeighbour(-1)),
  keyCommand(
    'Sew the piece earlier',
    '[',
    withSelected((id, i) => movePiece(id, i - 1)),
    needsChosen,
  ),
  keyCommand(
    'Sew the piece later',
    ']',
    withSelected((id, i) => movePiece(id, i + 1)),
    needsChosen,
  ),
  keyCommand(
    'Sew the whole colour earlier',
    '{',
    withSelected((id) => moveColour(id, -1)),
    needsChosen,
  ),
  keyCommand(
    'Sew the whole colour later',
    '}',
    withSelected((id) => moveColour(id, 1)),
    needsChosen,
  ),
  keyCommand('Sew what is chosen one after the other, in the order chosen', '\\', () => sewInSequence(chosenIds()), needsSeveral),
  TOGGLE_PATH,
];

const PROOF = [
  keyCommand('The proof: what will go wrong', '!', () => useProof.setState((s) => ({ open: !s.open }))),
  keyCommand('Next finding, place by place', ')', () => stepFinding(1), needsFindings),
  keyCommand('Finding before', '(', () => stepFinding(-1), needsFindings),
];

const DRAWING = [
  ...TOOLS.map((tool) => keyCommand(tool.word, tool.key, () => takeTool(tool))),
  keyCommand('Line done', 'Enter', () => void toolInHand().press?.('Enter'), needsDrawing),
  keyCommand(
    'Take the last node back while drawing; else remove what is chosen',
    'Backspace',
    () => {
      if (!toolInHand().press?.('Backspace')) removeChosen();
    },
    () => needsDrawing() && needsChosen(),
  ),
  keyCommand('Next node: corner or curve', 'C', () => void toolInHand().press?.('C'), needsDrawing),
];

const PIECES = [
  REMOVE_CHOSEN,
  CHOOSE_NOTHING,
  keyCommand(
    'Keep a copy of what is chosen',
    'Ctrl+C',
    () => {
      const n = copyToClipboard(chosenIds());
      if (n > 0) toast(`${n} ${n === 1 ? 'piece' : 'pieces'} kept: Ctrl+V puts them into this job or another.`);
    },
    needsChosen,
  ),
  keyCommand(
    'Put the copy in, in place',
    'Ctrl+V',
    () => {
      const made = pasteFromClipboard();
      if (made.length > 0) selectAll(made);
      else toast('Nothing was copied in this window yet: choose a piece and press Ctrl+C.');
    },
    needsCopy,
  ),
  keyCommand('Copy beside itself', 'K', () => selectAll(copyPieces(chosenIds(), 'Copy', [movedBy(3, 3)])), needsChosen),
  keyCommand(
    'Mirror a copy across the upright centre line',
    'X',
    () => selectAll(copyPieces(chosenIds(), 'Mirror', [mirroredAbout('vertical', 0)])),
    needsChosen,
  ),
  JOIN,
  FEWEST_NODES,
  GROUP,
  UNGROUP,
  TOGGLE_LOCK,
  keyCommand('Choose all of this thread', 'Y', () => selectLike((a, b) => a.thread === b.thread), needsChosen),
  keyCommand('Choose all of this kind', 'U', () => selectLike((a, b) => a.kind === b.kind), needsChosen),
  keyCommand('Choose all', 'Ctrl+A', () => selectAll((useJob.getState().job?.pieces ?? []).map((p) => p.id))),
  ...NUDGES.map(([name, key, dx, dy]) => keyCommand(name, key, () => nudge(dx, dy), needsChosen)),
];

const VIEW = [
  TOGGLE_HIDDEN,
  TOGGLE_OVERLAPS,
  keyCommand('Next look', 'L', () => useView.setState((s) => ({ look: LOOKS[(LOOKS.indexOf(s.look) + 1) % LOOKS.length]! }))),
  keyCommand('Nearer', '+', () => zoomAt(1.25)),
  keyCommand('Farther', '-', () => zoomAt(0.8)),
  keyCommand('Whole hoop', '0', fitHoop),
  ...MOVES.map(([way, key, dx, dy]) =>
    keyCommand(`Move the view ${way}; with nothing chosen, the arrow alone`, key, () => panBy(dx * STEP_PX, dy * STEP_PX)),
  ),
  keyCommand('Artwork on or off', 'A', () => useView.setState((s) => ({ showArtwork: !s.showArtwork }))),
  keyCommand('Guides on or off', "'", () => useView.setState((s) => ({ showGuides: !s.showGuides }))),
  keyCommand('Hoop on or off', 'H', () => useView.setState((s) => ({ showHoop: !s.showHoop }))),
];

/** Keys of the Bench by what one wants to do, as the help sheet lists them. */
export const BENCH_KEY_GROUPS = [
  { name: 'Sew it on the screen', keys: REPLAY },
  { name: 'Order and path', keys: ORDER },
  { name: 'What will go wrong', keys: PROOF },
  { name: 'Tools and drawing', keys: DRAWING },
  { name: 'Work on what is chosen', keys: PIECES },
  { name: 'What is shown, and how near', keys: VIEW },
] as const;

export const BENCH_KEYS = BENCH_KEY_GROUPS.flatMap((g) => g.keys);
