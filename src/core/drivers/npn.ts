import { bipolarDriver, bipolarField, mediumBipolar, smallBipolar } from './bipolar';
import { nmosFor } from './nmos';

export const npnField = bipolarField('npn');

/** NPN: on while its base is high. Load at the collector with the emitter at 0 V, or as a follower at the emitter. */
export const npnDriver = bipolarDriver({
  kind: 'npn',
  polarity: 'n',
  shipped: [
    { id: 'small-npn', kind: 'npn', ...smallBipolar },
    { id: 'medium-npn', kind: 'npn', ...mediumBipolar },
  ],
  lessDrive: ['nmos', 'darlington'],
  beyond: nmosFor,
});
