import { transistorDriver } from './transistorStage';

/** NPN: on while the midpoint is high. Load at the collector with the emitter at 0 V, or as a follower at the emitter. */
export const npnDriver = transistorDriver('npn');
