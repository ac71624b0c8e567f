import { transistorDriver } from './transistorStage';

/** Logic-level N-MOSFET: on while the midpoint is high; no current into the gate. */
export const nmosDriver = transistorDriver('nmos');
