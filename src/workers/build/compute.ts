import { isFit } from '@/core/advise/remedies';
import type { BoardId } from '@/core/board/board';
import { placeOn, proposedBoard, type Placing } from '@/core/build/place';
import type { Piece } from '@/core/build/pieces';
import type { Project } from '@/core/project/project';
import type { Compute } from '../protocol';

export interface PlaceQuestion {
  /** `null` for the smallest that it goes on. */
  readonly board: BoardId | null;
  readonly pieces: readonly Piece[];
}

/** A circuit on a board, the one asked for or the smallest. */
export const computePlace: Compute<PlaceQuestion, Placing> = async ({ board, pieces }) =>
  Promise.resolve(board === null ? proposedBoard(pieces).placing : placeOn(board, pieces));

export interface FitQuestion {
  readonly before: Project;
  readonly afters: readonly Project[];
}

/** Which designs could stand in for one: nothing says "cannot" that did not, and no finding is graver. */
export const computeFit: Compute<FitQuestion, readonly boolean[]> = async ({ before, afters }) =>
  Promise.resolve(afters.map((after) => isFit(before, after)));
