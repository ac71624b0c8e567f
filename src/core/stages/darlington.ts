import { transistorDriver } from './transistorStage';

/** Darlington: two NPN as one, with their β multiplied and two V_BE to overcome; on while the midpoint is high. */
export const darlingtonDriver = transistorDriver('darlington');
