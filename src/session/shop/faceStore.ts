import { create } from 'zustand';
import { reasonOf } from '@/core/document/errors';
import type { Lettering } from '@/core/document/types';
import { faceOf } from '@/core/lettering/faces';
import { shippedFace } from '@/core/lettering/outline/catalogue';
import type { OutlineFont } from '@/core/lettering/outline/readFont';
import { dropFont, fontNames, keepFont, keptFont } from '@/platform/storage/fonts';

interface FaceState {
  /** Names of fonts that someone brought. */
  brought: string[];
  /** Keys of faces whose letters are at hand; changes when one comes. */
  ready: string[];
  problem: string | null;
}

/** Faces of outlines: which there are, and which are at hand. */
export const useFaces = create<FaceState>(() => ({ brought: [], ready: [], problem: null }));

const atHand = new Map<string, OutlineFont>();
const coming = new Map<string, Promise<OutlineFont | null>>();

const read = async (bytes: Uint8Array, file: string): Promise<OutlineFont> =>
  (await import('@/core/lettering/outline/readFont')).readFont(bytes, file);

function isThere(key: string, font: OutlineFont): OutlineFont {
  atHand.set(key, font);
  useFaces.setState((s) => ({ ready: [...s.ready.filter((k) => k !== key), key] }));
  return font;
}

/** The fonts that this browser keeps. */
export async function openFaces(): Promise<void> {
  useFaces.setState({ brought: await fontNames() });
}

/** A face of outlines once its letters are at hand; null for one that is not in this browser. */
export function faceFont(key: string): Promise<OutlineFont | null> {
  const known = atHand.get(key);
  if (known) return Promise.resolve(known);
  if (!coming.has(key))
    coming.set(
      key,
      fetched(key).finally(() => coming.delete(key)),
    );
  return coming.get(key)!;
}

async function fetched(key: string): Promise<OutlineFont | null> {
  try {
    const shipped = shippedFace(key);
    if (!shipped) {
      const kept = await keptFont(key);
      return kept && isThere(key, await read(kept.bytes, kept.file));
    }
    const answer = await fetch(`/faces/${shipped.file}`);
    if (!answer.ok) throw new Error(`${answer.status}`);
    return isThere(shipped.key, await read(new Uint8Array(await answer.arrayBuffer()), shipped.file));
  } catch (error) {
    useFaces.setState({ problem: reasonOf(error, `The face ‘${shippedFace(key)?.name ?? key}’ could not be loaded; try again.`) });
    return null;
  }
}

/** Takes in a font file. @returns the key of its face; null when it is none, which is then told */
export async function bringFont(file: File): Promise<string | null> {
  useFaces.setState({ problem: null });
  try {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const font = await read(bytes, file.name);
    isThere(font.name, font);
    useFaces.setState((s) => ({ brought: [...s.brought.filter((n) => n !== font.name), font.name] }));
    await keepFont({ name: font.name, file: file.name, bytes });
    return font.name;
  } catch (error) {
    useFaces.setState({ problem: reasonOf(error, (error as Error).message) });
    return null;
  }
}

export async function forgetFont(name: string): Promise<void> {
  await dropFont(name);
  atHand.delete(name);
  useFaces.setState((s) => ({ brought: s.brought.filter((n) => n !== name), ready: s.ready.filter((k) => k !== name) }));
}

/** Whether a text's face is one of outlines. */
export const isOutlined = (face: string): boolean => !faceOf(face);

/** A text with the letters that it now uses, as far as its face is at hand; those that it has stay. */
export function withLetters(text: Lettering): Lettering {
  if (!isOutlined(text.face)) {
    const plain = { ...text };
    delete plain.outlines;
    return plain;
  }
  const font = atHand.get(shippedFace(text.face)?.key ?? text.face);
  return font ? { ...text, outlines: font.outlinesFor(text.text) } : text;
}
