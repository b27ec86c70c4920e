import { create } from 'zustand';

/** The text whose words are to be typed next. */
export const useAsking = create<{ id: string | null }>(() => ({ id: null }));

export const askForText = (id: string): void => useAsking.setState({ id });

/** The letter of a text that was taken hold of last; its own values stand on the card. */
export const usePickedLetter = create<{ piece: string | null; index: number | null }>(() => ({ piece: null, index: null }));
