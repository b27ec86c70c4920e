import { fingerprintOf } from './fingerprint';
import type { Approval, Job, Question } from './types';

export type QuestionState = 'open' | 'asked' | 'answered';

export const questionState = ({ asked, answer }: Question): QuestionState =>
  answer?.trim() ? 'answered' : asked === undefined ? 'open' : 'asked';

export const QUESTION_WORDS: Record<QuestionState, string> = { open: 'Not asked yet', asked: 'Asked', answered: 'Answered' };

/** Questions that wait for an answer, whether asked or not. */
export const unanswered = ({ questions = [] }: Pick<Job, 'questions'>): Question[] =>
  questions.filter((q) => q.text.trim() !== '' && questionState(q) !== 'answered');

/** What is sent to the customer: every question that has no answer yet. @param shop name under it, where there is one */
export function questionsText(job: Pick<Job, 'name' | 'questions'>, shop: string): string {
  const list = unanswered(job).map((q, i) => `${i + 1}. ${q.text.trim()}`);
  return [`Questions about ‘${job.name}’`, '', ...list, '', 'Thank you.', ...(shop ? [shop] : []), ''].join('\n');
}

/** What an approval is of: what is sewn, in which threads, on which cloth. */
export const agreedTo = ({ pieces, threads, brief }: Pick<Job, 'pieces' | 'threads' | 'brief'>): string =>
  fingerprintOf([pieces, threads, brief.cloth, brief.clothHex ?? '']);

/** Whether a job is still what was approved; null where nobody approved it. */
export const stillApproved = (job: Pick<Job, 'pieces' | 'threads' | 'brief' | 'approval'>): boolean | null =>
  job.approval ? job.approval.of === agreedTo(job) : null;

/** An approval in words. */
export const approvalWords = ({ on, by, note }: Approval): string => `Approved on ${on}${by ? ` by ${by}` : ''}${note ? `: ${note}` : ''}`;

/** A day as records hold it. */
export const dayOf = (date: Date): string =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;
