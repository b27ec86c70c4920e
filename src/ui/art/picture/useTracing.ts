import { useMemo, useState } from 'react';
import type { TracedFrom, TracingChoices } from '@/core/document/types';
import { without } from '@/core/document/without';
import { pictureBytes } from '@/core/tracing/pictureText';
import { IDLE, Task, type TaskState } from '@/session/derived/task';
import { tracePicture } from '@/session/derived/tracePicture';
import { retraceArtwork } from '@/session/edit/artworkCommands';

/** What is to be changed of a tracing; what is undefined is decided no longer. */
export type ChoiceChange = { [K in keyof TracingChoices]?: TracingChoices[K] | undefined };

export interface PictureAtWork {
  picture: TracedFrom;
  /** The picture's file, as text. */
  text: string;
  /** The shapes' drawing. */
  svg: string;
  /** Finished width, mm. */
  widthMm: number;
}

export interface TracingAtWork extends TaskState {
  again(change: ChoiceChange): void;
  cancel(): void;
}

/** Traces a job's picture again with other choices; each is a step that can be undone. */
export function useTracing({ picture, text, widthMm }: PictureAtWork): TracingAtWork {
  const [state, setState] = useState<TaskState>(IDLE);
  const task = useMemo(() => new Task((change) => setState((s) => ({ ...s, ...change }))), []);
  const again = (change: ChoiceChange): void => {
    const bytes = pictureBytes(text);
    if (!bytes) return;
    const { file } = picture;
    const choices = decided({ ...without(picture, 'file', 'found'), ...change });
    void task.run(
      (call) => tracePicture(bytes.buffer, file, { ...choices, widthMm }, call),
      ({ svg, found }) => retraceArtwork(svg, { file, ...choices, found }),
    );
  };
  return { ...state, again, cancel: () => task.cancel() };
}

/** Without what is not decided: nothing, or a list of nothing. */
function decided(choices: ChoiceChange): TracingChoices {
  const isDecided = (v: unknown): boolean => v !== undefined && !(Array.isArray(v) && v.length === 0);
  return Object.fromEntries(Object.entries(choices).filter(([, v]) => isDecided(v)));
}
