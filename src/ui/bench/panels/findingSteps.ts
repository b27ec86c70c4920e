import { SEVERITIES, type Finding } from '@/core/proof/finding';
import { useProof } from '@/session/derived/proofStore';
import { centreOn } from '@/session/view/cameraStore';
import { selectAll } from '@/session/view/viewStore';

/** What is left to look at, as the proof lists it: the severe first. */
export const openFindings = (findings: readonly Finding[]): Finding[] =>
  SEVERITIES.flatMap((severity) => findings.filter((f) => f.severity === severity && f.accepted === undefined));

/** Marks one place of a finding on the cloth and chooses its pieces. */
export function showPlace(finding: Finding, place: number): void {
  const { at, pieces } = finding.places[place]!;
  useProof.setState({ marked: finding, markedPlace: place });
  centreOn(at);
  if (pieces.length > 0) selectAll(pieces);
}

/** Goes on to the next place of what was found, or back to the one before; round again at the end. */
export function stepFinding(by: 1 | -1): void {
  const { findings, marked, markedPlace } = useProof.getState();
  const all = openFindings(findings).flatMap((finding) => finding.places.map((_, place) => ({ finding, place })));
  if (all.length === 0) return;
  const at = all.findIndex((s) => s.finding === marked && s.place === markedPlace);
  const next = all[at < 0 ? (by > 0 ? 0 : all.length - 1) : (at + by + all.length) % all.length]!;
  useProof.setState({ open: true });
  showPlace(next.finding, next.place);
}
