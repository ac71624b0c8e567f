export interface Zone {
  readonly target: string;
  readonly from: readonly string[];
  readonly message: string;
}
export const zones: readonly Zone[];
/** What the core does without. */
export const outside: readonly string[];
