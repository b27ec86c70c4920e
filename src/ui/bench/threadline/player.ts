import { centreOn } from '@/session/view/cameraStore';
import { usePlan } from '@/session/derived/planStore';
import { useProof } from '@/session/derived/proofStore';
import { useView } from '@/session/view/viewStore';
import { findingEvents } from './findingEvents';
import { nextHalt } from './halts';

const length = (): number => usePlan.getState().planned?.plan.x.length ?? 0;

/** Slow frames are caught up with; after a longer pause (the page lay in the background) the replay goes on where it was. */
const LONGEST_FRAME_S = 2;

let frame = 0;
let last = 0;
let exact = 0;

/** Where the replay is to wait, among the events that it would pass over now. */
function haltBefore(from: number, to: number): number | null {
  const { pauseAtTrims: trims, pauseAtStops: stops, pauseAtFindings } = useView.getState();
  const plan = usePlan.getState().planned?.plan;
  if (!plan || (!trims && !stops && !pauseAtFindings)) return null;
  const findings = pauseAtFindings ? findingEvents(plan, useProof.getState().findings).map((f) => f.event) : [];
  return nextHalt(plan, from, to, { trims, stops, findings });
}

function follow(event: number): void {
  const plan = usePlan.getState().planned?.plan;
  if (plan && useView.getState().follow && event > 0) centreOn({ x: plan.x[event - 1]!, y: plan.y[event - 1]! });
}

function tick(now: number): void {
  const { playing, speed, playhead } = useView.getState();
  if (!playing) return;
  const elapsed = Math.min(LONGEST_FRAME_S, (now - last) / 1000);
  last = now;
  exact = Math.abs(exact - (playhead ?? 0)) > 2 ? (playhead ?? 0) : exact;
  exact += elapsed * speed;
  const halt = haltBefore(playhead ?? 0, Math.floor(exact));
  if (halt !== null) {
    exact = halt;
    useView.setState({ playhead: halt, playing: false });
    follow(halt);
    return;
  }
  if (exact >= length()) {
    useView.setState({ playhead: null, playing: false });
    return;
  }
  useView.setState({ playhead: Math.floor(exact) });
  follow(Math.floor(exact));
  frame = requestAnimationFrame(tick);
}

/** Starts sewing from an event. */
export function playFrom(event: number): void {
  if (length() === 0) return;
  exact = event;
  last = performance.now();
  useView.setState({ playhead: event, playing: true });
  cancelAnimationFrame(frame);
  frame = requestAnimationFrame(tick);
}

export function togglePlay(): void {
  const { playing, playhead } = useView.getState();
  if (playing) useView.setState({ playing: false });
  else playFrom(playhead ?? 0);
}

/** Moves the playhead and stops there. */
export function seek(event: number): void {
  const n = length();
  const at = Math.max(0, Math.min(n, Math.round(event)));
  useView.setState({ playhead: at >= n ? null : at, playing: false });
}

export const stepBy = (events: number): void => seek((useView.getState().playhead ?? length()) + events);
