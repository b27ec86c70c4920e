'use client';
import { ChevronDown, Upload } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useEffect, useMemo, useRef } from 'react';
import type { Lettering } from '@/core/document/types';
import { faceOf, FACES } from '@/core/lettering/faces';
import { shippedFace, SHIPPED_FACES } from '@/core/lettering/outline/catalogue';
import { bringFont, faceFont, openFaces, useFaces, withLetters } from '@/session/shop/faceStore';
import { Specimen } from '../../../components/Specimen';
import { MenuPortal } from '../../../components/MenuPortal';

/** A specimen is so long at most, signs. */
const SHOWN = 14;

const ITEM =
  'flex cursor-pointer items-center gap-2 rounded px-2 py-1 outline-none data-[highlighted]:bg-tape-soft data-[state=checked]:bg-tape-soft';

/** The name of a face. */
export const faceName = (face: string): string => faceOf(face)?.name ?? shippedFace(face)?.name ?? face;

/** Chooses a face, each shown with the person's own text. */
export function FacePicker({ text, onChoose }: { text: Lettering; onChoose(face: string): void }) {
  const { brought, problem } = useFaces();
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => void openFaces(), []);
  const line = (text.text.split('\n')[0] ?? '').slice(0, SHOWN).trim() || 'Aa';
  const others = [...SHIPPED_FACES.map((f) => ({ key: f.key, name: f.name })), ...brought.map((name) => ({ key: name, name }))];
  const bring = async (file: File | undefined): Promise<void> => {
    const key = file && (await bringFont(file));
    if (key) onChoose(key);
  };
  const current = faceOf(text.face)?.key ?? shippedFace(text.face)?.key ?? text.face;
  return (
    <div className="mt-2">
      <p className="mb-1 text-quiet">Face</p>
      <DropdownMenu.Root modal={false} onOpenChange={(open) => open && others.forEach((f) => void faceFont(f.key))}>
        <DropdownMenu.Trigger
          aria-label={`Face: ${faceName(text.face)}`}
          data-testid="face"
          className="flex h-8 w-full items-center gap-2 rounded-md border border-edge bg-white px-2 hover:bg-tape-soft"
        >
          <span>{faceName(text.face)}</span>
          <ChevronDown size={14} aria-hidden="true" className="ml-auto" />
        </DropdownMenu.Trigger>
        <MenuPortal>
          <DropdownMenu.Content
            align="start"
            sideOffset={4}
            className="z-50 max-h-[70vh] w-[340px] max-w-[95vw] overflow-y-auto rounded-md border border-edge bg-panel p-1 shadow-md"
          >
            <DropdownMenu.RadioGroup value={current} onValueChange={onChoose}>
              <Heading>Drawn for thread</Heading>
              {FACES.map((f) => (
                <Face key={f.key} face={f.key} name={f.name} line={line} />
              ))}
              <Heading>From outlines</Heading>
              {others.map((f) => (
                <Face key={f.key} face={f.key} name={f.name} line={line} />
              ))}
            </DropdownMenu.RadioGroup>
            <DropdownMenu.Separator className="my-1 h-px bg-hairline" />
            <DropdownMenu.Item className={ITEM} onSelect={() => input.current?.click()}>
              <Upload size={16} aria-hidden="true" /> A font of your own: OTF, TTF or WOFF
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </MenuPortal>
      </DropdownMenu.Root>
      <input
        ref={input}
        type="file"
        accept=".otf,.ttf,.woff"
        aria-label="A font of your own"
        className="hidden"
        onChange={(e) => {
          void bring(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      {problem && (
        <p role="alert" className="mt-1 text-xs text-danger">
          {problem}
        </p>
      )}
    </div>
  );
}

const Heading = ({ children }: { children: string }) => (
  <DropdownMenu.Label className="px-2 pt-1.5 pb-0.5 text-xs text-quiet">{children}</DropdownMenu.Label>
);

const HEIGHT_MM = 10;

function Face({ face, name, line }: { face: string; name: string; line: string }) {
  const isReady = useFaces((s) => s.ready.includes(face)) || faceOf(face) !== undefined;
  const text = useMemo(() => (isReady ? withLetters({ text: line, face, height: HEIGHT_MM }) : null), [isReady, line, face]);
  return (
    <DropdownMenu.RadioItem value={face} textValue={name} className={ITEM} data-face={face}>
      <span className="w-20 shrink-0 truncate">{name}</span>
      {text && <Specimen text={text} className="h-6 min-w-0 flex-1" />}
    </DropdownMenu.RadioItem>
  );
}
