import type { Step } from '@/core/advise/advice';
import { paletteIndex } from './paletteIndex';

/** A field or an action by the name that it has on the page, the step it is in, and the way within that step. */
export interface PaletteField {
  readonly name: string;
  readonly step: Step;
  readonly way: string | null;
}

/**
 * Fields and actions of all steps: the palette finds them from wherever one is. The list is found by walking through the app
 * (`npm run palette`); a test holds it to what is there.
 */
export const paletteFields: readonly PaletteField[] = paletteIndex.flatMap(({ step, way, names }) =>
  names.map((name) => ({ name, step, way })),
);
