import { bagSpreadOf, type BagSpread } from '../ldr/bag';
import type { Ok, Refused } from '../result';
import { measuredLdr } from './ldrOf';
import type { SavedLdr } from './savedLdr';

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
