import type { Assembly } from '@/core/operate/assembly';
import { partIn, partsOfKind } from '@/core/parts/find';

/** The supply of the device whose pin a load is; pins of one device share it. `undefined` for any other load. */
export function ownSupplyOf({ parts }: Pick<Assembly, 'parts'>, index: number) {
  const pin = partIn(parts, 'logic-input', 'load', index);
  return pin && partsOfKind(parts, 'supply').find(({ rail }) => rail === pin.rest);
}
