import { OF_PIECES } from './faultsOfPieces';
import { OF_WORK } from './faultsOfWork';
import { settingOf, type Plant, type Planted } from './plant';

export type { Planted };

/** For each rule how its fault is planted at random. */
export const PLANTS: Record<string, Plant> = { ...OF_PIECES, ...OF_WORK };

export const plant = (rule: string, seed: number): Planted => PLANTS[rule]!(settingOf(seed));
