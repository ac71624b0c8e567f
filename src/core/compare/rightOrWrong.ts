import { analyse } from '../design';
import type { LdrCurve } from '../ldr/curve';
import { setReadingAside, trustReading } from '../project/readingEdits';
import type { Project } from '../project/project';

/** What a design comes to. */
export interface Outcome {
  readonly curve: LdrCurve;
  /** Where it switches, on the readings' scale; `null` where it does not. */
  readonly switchLux: number | null;
}

/** What a design comes to if a reading is right, and if it is wrong and left out. */
export interface RightOrWrong {
  readonly right: Outcome;
  readonly wrong: Outcome;
}

/** The design with a doubtful reading and without it; `null` where one of them has no solution. */
export function rightOrWrong(project: Project, readingId: string): RightOrWrong | null {
  const right = outcomeOf(trustReading(readingId, true)(project));
  const wrong = outcomeOf(setReadingAside(readingId, true)(project));
  return right && wrong && { right, wrong };
}

function outcomeOf(project: Project): Outcome | null {
  const analysis = analyse(project);
  if (!analysis.ok) return null;
  const { ldr, half } = analysis.design;
  return { curve: ldr.curve, switchLux: half.ok ? half.lux : null };
}
