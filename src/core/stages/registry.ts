import { darlingtonStage } from './darlington';
import { nmosStage } from './nmos';
import { npnStage } from './npn';
import { pnpStage } from './pnp';
import type { Stage } from './stage';
import type { TransistorKind } from './transistors';

/** Every way of deciding that there is: one line each. */
export const stages: Readonly<Record<TransistorKind, Stage>> = {
  npn: npnStage,
  pnp: pnpStage,
  darlington: darlingtonStage,
  nmos: nmosStage,
};
