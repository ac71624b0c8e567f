import { darlingtonDriver } from './darlington';
import { nmosDriver } from './nmos';
import { npnDriver } from './npn';
import { pnpDriver } from './pnp';
import type { Driver } from './stage';
import type { TransistorKind } from './transistors';

/** Every way of deciding that there is: one line each. */
export const drivers: Readonly<Record<TransistorKind, Driver>> = {
  npn: npnDriver,
  pnp: pnpDriver,
  darlington: darlingtonDriver,
  nmos: nmosDriver,
};
