import { stage } from './stage';
import { say } from './say';
import { existsSync } from 'node:fs';
import { EMPTY_LIBRARY, mergedLibrary, parseLibrary, type ShopLibrary } from '../core/cloth/library';
import { InputError } from '../core/document/errors';
import { dayOf } from '../core/document/folder';
import { newSewout } from '../core/document/sewout';
import { marksFileSchema, type MarksFile } from '../core/document/sewoutSchema';
import type { SeenMark, Sewout } from '../core/document/sewoutTypes';
import type { Job } from '../core/document/types';
import { PROOF_GRID } from '../core/forecast/sheet';
import { writeBundle } from '../core/formats/bundle';
import { Planner } from '../core/plan/planner';
import { causesOf, confirmedIn, type RankedCause } from '../core/sewouts/causes/rank';
import { sewnScene } from '../core/sewouts/causes/scene';
import { applied, type Accepted } from '../core/sewouts/corrections/apply';
import { adoptedRecipe } from '../core/sewouts/learn/adopt';
import { learn, type Learned } from '../core/sewouts/learn/learn';
import { isMeasured } from '../core/sewouts/measured';
import { causesReport, correctionsReport, learnedReport, learnedWords } from '../core/sewouts/sewoutReport';
import { sewnLike } from '../core/sewouts/together';
import { readBytes, writeAll } from './files';
import { load } from './load';
import { readSewoutArgs } from './sewoutArgs';

/** `bin/cobble sewout`: causes of what was seen on a test, their corrections, and what the cloth taught. */
export async function sewoutCommand(argv: readonly string[]): Promise<number> {
  const args = readSewoutArgs(argv);
  const { setup = {}, marks } = readMarks(args.marks);
  const { job, artwork } = await load(args);
  const unknown = marks.find((m) => [m.piece, m.against].some((id) => id !== undefined && !job.pieces.some((p) => p.id === id)));
  if (unknown)
    throw new InputError(
      'bad-usage',
      `A mark names the piece ${unknown.piece ?? ''}${unknown.against ? ` against ${unknown.against}` : ''}, which this job does not have.`,
    );
  const planner = new Planner();
  const sewout: Sewout = {
    ...newSewout(job, { id: `s${job.sewouts.length + 1}`, on: dayOf(new Date()), by: '', setup }),
    marks: marks.map((m, i) => ({ ...m, id: `m${i + 1}` })),
  };
  stage('Seeking the causes');
  const scene = sewnScene(job, setup, planner);
  const confirmed = confirmedIn(job.sewouts.flatMap((s) => s.marks));
  const causes = marks.map((mark) => causesOf(scene, mark, confirmed));
  const accepted = acceptedOf(marks, causes);
  const made = accepted.length > 0 ? applied(job, accepted, { planner }) : { job, changed: [], at: [] };
  const measured = marks.some(isMeasured) ? learn(sewnLike(job, sewout), { grid: PROOF_GRID }) : null;
  const report = {
    causes: causesReport(marks, causes),
    corrections: correctionsReport(accepted, made),
    changed: made.changed,
    learned: measured && learnedReport(measured),
  };
  const files = [
    ...(args.report === undefined ? [] : [{ path: args.report, content: JSON.stringify(report, null, 1) + '\n' }]),
    ...(args.apply === undefined ? [] : [{ path: args.apply, content: writeBundle({ job: nextVersion(made.job, sewout), artwork }) }]),
    ...(args.learn === undefined ? [] : [{ path: args.learn, content: libraryWith(args.learn, job, measured) }]),
  ];
  writeAll(files);
  if (args.report === undefined) say(JSON.stringify(report, null, 1) + '\n');
  else say(`${summary(causes, made.changed.length, measured)}\n`);
  return 0;
}

function readMarks(path: string): MarksFile {
  const checked = marksFileSchema.validate(json(path), { abortEarly: true });
  if (checked.error)
    throw new InputError(
      'bad-usage',
      `‘${path}’ is not a list of marks: ${checked.error.message.replaceAll('"', '‘')}. See docs/sewouts.md.`,
    );
  return Array.isArray(checked.value) ? { marks: checked.value } : checked.value;
}

function json(path: string): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(readBytes(path)));
  } catch (error) {
    if (error instanceof InputError) throw error;
    throw new InputError('bad-usage', `‘${path}’ is not readable JSON.`);
  }
}

type Ranked = Accepted & { index: number; cause: string };

/** For each mark the first change of the job that its likeliest cause offers; one change is made once. */
function acceptedOf(marks: readonly Omit<SeenMark, 'id'>[], causes: readonly RankedCause[][]): Ranked[] {
  const known = new Set<string>();
  return marks.flatMap((mark, index): Ranked[] => {
    const [top] = causes[index]!;
    const remedy = top?.remedies.find((r) => r.fix || r.extend);
    if (!top || !remedy) return [];
    const key = remedy.extend ? `${index}` : JSON.stringify(remedy.fix);
    if (known.has(key)) return [];
    known.add(key);
    return [{ index, cause: top.id, mark, remedy }];
  });
}

/** The corrected job, with the test that it comes of kept in it. */
const nextVersion = (job: Job, sewout: Sewout): Job => ({ ...job, sewouts: [...job.sewouts, sewout] });

function libraryWith(path: string, job: Job, learned: Learned | null): string {
  if (!learned) throw new InputError('bad-usage', 'Nothing was learned: no mark with a measure lies where the forecast says something.');
  const own: ShopLibrary = existsSync(path) ? parseLibrary(json(path)) : EMPTY_LIBRARY;
  return JSON.stringify(mergedLibrary(own, { ...own, recipes: [adoptedRecipe(job, learned)] }), null, 1) + '\n';
}

function summary(causes: readonly RankedCause[][], changed: number, learned: Learned | null): string {
  const first = causes[0]?.[0];
  const cause = first ? `likeliest cause: ${first.name.toLowerCase()} (${Math.round(100 * first.probability)} %)` : 'no cause is known';
  return `${causes.length} ${causes.length === 1 ? 'mark' : 'marks'}; ${cause}; ${changed} ${changed === 1 ? 'piece' : 'pieces'} to change${learned ? `; ${learnedWords(learned)}` : ''}`;
}
