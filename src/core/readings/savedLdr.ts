import { bagSpreadOf, type BagSpread } from '../ldr/bag';
import type { Ok, Refused } from '../result';
import { exactly, idField, wholeWithin, type Infer } from '../schema';
import { measuredLdr } from './ldrOf';
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

/**
 * R10 and γ of a bag of measured LDRs, mean and scatter. Only those measured in lux count: the others' R10 is none.
 * @returns `too-few` under three of them
 */
export function spreadOfSaved(
  ldrs: readonly SavedLdr[],
): Ok<{ spread: BagSpread }> | Refused<'too-few', { min: number }> {
  const curves = ldrs.flatMap(({ measurement }) => {
    const { model, resolved } = measuredLdr(measurement);
    return model.source === 'measured' && resolved.scale === 'lux' ? [model.curve] : [];
  });
  return bagSpreadOf(curves);
}
