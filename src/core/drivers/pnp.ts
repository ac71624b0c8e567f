import { bipolarDriver, bipolarField, mediumBipolar, smallBipolar } from './bipolar';
import { nmosFor } from './nmos';

export const pnpField = bipolarField('pnp');

/** PNP: on while its base is low. It switches the plus side of a load. */
export const pnpDriver = bipolarDriver({
  kind: 'pnp',
  polarity: 'p',
  shipped: [
    { id: 'small-pnp', kind: 'pnp', ...smallBipolar },
    { id: 'medium-pnp', kind: 'pnp', ...mediumBipolar },
  ],
  beyond: nmosFor,
});
