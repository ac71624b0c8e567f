import { exactly, idField, wholeWithin, type Infer } from '../schema';
import { ldrPartField } from './ldrPart';
import { MEASUREMENT_LIMITS } from './limits';
import { measurementField } from './reading';

export const savedLdrField = exactly({
  id: idField,
  part: ldrPartField,
  measurement: measurementField,
  /** Milliseconds since 1970. */
  keptAt: wholeWithin(MEASUREMENT_LIMITS.milliseconds),
});

/** An LDR that was measured and put away, to be taken out for another project. */
export type SavedLdr = Infer<typeof savedLdrField>;
