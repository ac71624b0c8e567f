import type { Edit } from '@/core/project/edits';

/** A value of the drawing, and what changing it does. */
export interface ValueOf {
  readonly value: number;
  readonly limits: { readonly min: number; readonly max: number };
  readonly edit: (value: number) => Edit;
}
