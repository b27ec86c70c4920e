import { tableOf } from './table';

/** A font that someone brought, as its file. */
export interface KeptFont {
  name: string;
  file: string;
  bytes: Uint8Array;
}

const fonts = tableOf<KeptFont>('cobble-fonts', 'fonts');

/** Names of the fonts that this browser keeps; none when they cannot be read. */
export const fontNames = (): Promise<string[]> => fonts.keys().catch(() => []);

export const keptFont = (name: string): Promise<KeptFont | null> => fonts.get(name).catch(() => null);

/** @throws StorageError with a sentence for people */
export const keepFont = (font: KeptFont): Promise<void> => fonts.set(font.name, font);

export const dropFont = (name: string): Promise<void> => fonts.remove(name);
