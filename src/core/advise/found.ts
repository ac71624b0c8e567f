import type { Judgement } from '../readings/judge';
import type { SizedDesign } from '../size/sized';

/** A design as far as it is worked out before anything is said of it. */
export type Found = SizedDesign & { readonly judgement: Judgement };
