'use client';
import { useEffect } from 'react';
import type { Job } from '@/core/document/types';
import { bringThread } from '@/session/edit/commands';
import { useView } from '@/session/view/viewStore';
import { useCones } from '../../card/ThreadChoice';
import { ThreadPicker } from '../../../components/ThreadPicker';
import { useDrawing } from './drawingStore';
import { threadInHand, useTakenThread } from './threadInHand';

/** Which thread the next piece is sewn in, shown and chosen where it is drawn. */
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
      className="pointer-events-auto flex items-center gap-2 rounded-md border border-hairline bg-panel py-1 pr-1 pl-3 text-xs"
    >
      <span className="whitespace-nowrap">New pieces in</span>
      <span className="w-[190px]">
        <ThreadPicker
          label="Thread of new pieces"
          side="top"
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
