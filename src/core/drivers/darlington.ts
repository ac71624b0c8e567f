import { bipolarDriver, bipolarField, smallBipolar } from './bipolar';
import { nmosFor } from './nmos';

export const darlingtonField = bipolarField('darlington');

/** NPN Darlington: far more gain, and about 0.7 V more lost. */
export const darlingtonDriver = bipolarDriver({
  kind: 'darlington',
  polarity: 'n',
  isDarlington: true,
  shipped: [
    {
      ...smallBipolar,
      id: 'small-darlington',
      kind: 'darlington',
      minBeta: 5000,
      typicalBeta: 20_000,
      maxBeta: 70_000,
      maxAmps: 0.5,
      maxVolts: 30,
      maxWatts: 0.6,
    },
    {
      ...smallBipolar,
      id: 'power-darlington',
      kind: 'darlington',
      saturationAmps: 1e-12,
      minBeta: 1000,
      typicalBeta: 3000,
      maxBeta: 12_000,
      maxAmps: 4,
      maxBaseAmps: 0.1,
      maxVolts: 60,
      maxWatts: 1.5,
    },
  ],
  beyond: nmosFor,
});
