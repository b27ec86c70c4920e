import { create } from 'zustand';

/** The text whose words are to be typed next: its field takes the focus. */
export const useAsking = create<{ id: string | null }>(() => ({ id: null }));

export const askForText = (id: string): void => useAsking.setState({ id });
