import { npnStage } from './npn';
import type { Stage } from './stage';

/** Every way of deciding that there is: one line each. */
export const stages = { npn: npnStage } as const satisfies Record<string, Stage>;
