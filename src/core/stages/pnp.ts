import { transistorDriver } from './transistorStage';

/** PNP: on while the midpoint is low. Load between collector and 0 V with the emitter at the plus rail, or as a follower at the emitter. */
export const pnpDriver = transistorDriver('pnp');
