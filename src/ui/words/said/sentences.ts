import type { LightText } from '../light';

/** The finding with a code, which others may share its figures with. */
type WithCode<F, C> = F extends { readonly code: infer Codes } ? (C extends Codes ? F : never) : never;

/** A sentence for every finding of a kind: none may be missing. */
export type Sentences<F extends { readonly code: string }> = {
  readonly [C in F['code']]: (finding: WithCode<F, C>, light: LightText) => string;
};
