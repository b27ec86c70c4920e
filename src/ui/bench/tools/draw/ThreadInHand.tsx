'use client';
import { useEffect } from 'react';
import type { Job } from '@/core/document/types';
import { bringThread } from '@/session/edit/commands';
import { useView } from '@/session/view/viewStore';
import { useCones } from '../../card/ThreadChoice';
import { ThreadPicker } from '../../../components/ThreadPicker';
import { useDrawing } from './drawingStore';
import { threadInHand, useTakenThread } from './threadInHand';

/** Which thread the next piece is sewn in, shown and chosen on the card: on the cloth it would take clicks of whoever draws beneath it. */
export function ThreadInHand({ job }: { job: Job }) {
  useTakenThread();
  useView((s) => s.selected);
  const value = threadInHand() ?? '';
  const { groups, coneOf } = useCones(job, value);
  const isWay = useDrawing((s) => s.wayFor !== null);
  useEffect(() => () => useTakenThread.setState({ thread: null }), []);
  // The way to a piece is sewn in the thread of that piece.
  if (isWay) return null;
  return (
    <div
      data-testid="thread-in-hand"
      role="region"
      aria-label="Thread of new pieces"
      className="flex shrink-0 items-center gap-3 border-b border-hairline bg-tape-soft px-4 py-2"
    >
      <span className="whitespace-nowrap">New pieces in</span>
      <span className="min-w-0 flex-1">
        <ThreadPicker
          label="Thread of new pieces"
          groups={groups}
          value={value}
          onChoose={(key) => {
            const cone = coneOf(key);
            useTakenThread.setState({ thread: cone ? bringThread(cone) : key });
          }}
        />
      </span>
    </div>
  );
}
