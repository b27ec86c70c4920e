'use client';
import { Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { toast } from '@/session/notice';
import { QUESTION_WORDS, questionState, questionsText, unanswered } from '@/core/document/folder';
import type { Question } from '@/core/document/types';
import { addQuestion, changeQuestion, questionsSent, removeQuestion } from '@/session/edit/folderCommands';
import { useJob } from '@/session/job/jobStore';
import { useLibrary } from '@/session/shop/libraryStore';
import { Button, SignButton } from '../../components/Button';
import { DraftField, TextField } from '../../components/TextField';

/** What to ask the customer, what was asked, and what they said. */
export function Questions() {
  const job = useJob((s) => s.job)!;
  const shop = useLibrary((s) => s.library.shop.name);
  const [draft, setDraft] = useState('');
  const open = unanswered(job);
  const add = (): void => {
    if (draft.trim() === '') return;
    addQuestion(draft.trim());
    setDraft('');
  };
  const send = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(questionsText(job, shop));
      questionsSent();
      toast.success('The questions lie on the clipboard, and count as asked today.');
    } catch {
      toast.error('The browser does not let the text onto the clipboard.');
    }
  };
  return (
    <section aria-label="Open questions" className="rounded-md border border-hairline bg-panel p-5">
      <div className="mb-3 flex items-center gap-3">
        <h2 className="flex-1 text-lg font-semibold">
          Questions to the customer {open.length > 0 && <span className="text-danger">· {open.length} open</span>}
        </h2>
        <Button disabled={open.length === 0} onClick={() => void send()}>
          Copy as text
        </Button>
      </div>
      <ul className="grid gap-3">
        {(job.questions ?? []).map((q) => (
          <OneQuestion key={q.id} question={q} />
        ))}
      </ul>
      <form
        className="mt-3 flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          add();
        }}
      >
        <DraftField label="Another question" className="flex-1" value={draft} maxLength={2000} onChange={setDraft} />
        <Button type="submit" disabled={draft.trim() === ''}>
          <Plus size={15} aria-hidden="true" /> Add
        </Button>
      </form>
    </section>
  );
}

function OneQuestion({ question: q }: { question: Question }) {
  const state = questionState(q);
  return (
    <li className="border-l-2 border-edge pl-3" data-question={state}>
      <div className="flex items-start gap-2">
        <p className="min-w-0 flex-1 break-words">{q.text}</p>
        <span className={`shrink-0 text-xs ${state === 'answered' ? 'text-quiet' : 'text-danger'}`}>
          {QUESTION_WORDS[state]}
          {q.asked && state === 'asked' ? ` ${q.asked}` : ''}
        </span>
        <SignButton name={`Remove the question ‘${q.text.slice(0, 40)}’`} className="-mt-1.5" onClick={() => removeQuestion(q.id)}>
          <Trash2 size={15} />
        </SignButton>
      </div>
      <TextField
        label={`Answer to ‘${q.text.slice(0, 40)}’`}
        hideLabel
        placeholder="What they said"
        maxLength={5000}
        value={q.answer ?? ''}
        onCommit={(answer) => changeQuestion(q.id, 'Answer', { answer: answer.trim() === '' ? undefined : answer })}
      />
    </li>
  );
}
