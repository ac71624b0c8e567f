import { channelDriver, channelField, type ChannelTransistor } from './channel';

export const pmosField = channelField('pmos');

const shipped: readonly [ChannelTransistor<'pmos'>, ...ChannelTransistor<'pmos'>[]] = [
  { id: 'small-pmos', name: '', kind: 'pmos', minThresholdVolts: 0.8, typicalThresholdVolts: 1.5, maxThresholdVolts: 2.2, onOhms: 4, maxAmps: 0.2, maxVolts: 50, maxGateVolts: 20, maxWatts: 0.35 },
  { id: 'power-pmos', name: '', kind: 'pmos', minThresholdVolts: 0.7, typicalThresholdVolts: 1.2, maxThresholdVolts: 2, onOhms: 0.06, maxAmps: 4, maxVolts: 30, maxGateVolts: 12, maxWatts: 1.2 },
]; // prettier-ignore

/** P-channel MOSFET: on while its gate is low. It switches the plus side of a load without taking any base current. */
export const pmosDriver = channelDriver({ kind: 'pmos', polarity: 'p', shipped });
