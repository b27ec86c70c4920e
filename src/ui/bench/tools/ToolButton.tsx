'use client';
import { Tooltip } from 'radix-ui';
import { MotionPicture } from './motions';
import type { Tool } from './tool';

interface Props {
  tool: Tool;
  words: boolean;
  pressed: boolean;
  onTake(): void;
}

/** A tool on the strip: its sign and its word; resting on it shows what the hand does. */
export function ToolButton({ tool, words, pressed, onTake }: Props) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>
        <button
          type="button"
          aria-label={`${tool.word} (${tool.key})`}
          aria-pressed={pressed}
          onClick={onTake}
          className={`flex h-7 shrink-0 items-center gap-2 rounded-md border px-1.5 ${words ? 'w-full' : 'w-8 justify-center'} ${pressed ? 'border-ink bg-tape' : 'border-transparent hover:bg-tape-soft'}`}
        >
          <span className="grid w-[18px] shrink-0 place-items-center">
            <tool.Sign size={17} />
          </span>
          {words && <span className="truncate text-left text-[13px] max-sm:hidden">{tool.label}</span>}
        </button>
      </Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
          side="right"
          sideOffset={8}
          collisionPadding={8}
          data-testid="tool-help"
          className="z-50 w-[236px] rounded-md border border-edge bg-panel p-2 text-sm shadow-lg"
        >
          <MotionPicture motion={tool.motion} />
          <p className="mt-2 flex justify-between gap-2 font-semibold">
            {tool.word} <kbd className="figures rounded-sm border border-hairline px-1 text-xs">{tool.key}</kbd>
          </p>
          <p className="leading-snug">{tool.hint.full}.</p>
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}
