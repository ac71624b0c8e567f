import { channelDriver, channelField, type ChannelTransistor } from './channel';

export const nmosField = channelField('nmos');

const shipped: readonly [ChannelTransistor<'nmos'>, ...ChannelTransistor<'nmos'>[]] = [
  { id: 'small-nmos', name: '', kind: 'nmos', minThresholdVolts: 0.8, typicalThresholdVolts: 1.4, maxThresholdVolts: 2, onOhms: 2, maxAmps: 0.3, maxVolts: 60, maxGateVolts: 20, maxWatts: 0.35 },
  { id: 'power-nmos', name: '', kind: 'nmos', minThresholdVolts: 1, typicalThresholdVolts: 1.6, maxThresholdVolts: 2.4, onOhms: 0.03, maxAmps: 10, maxVolts: 50, maxGateVolts: 16, maxWatts: 1.5 },
]; // prettier-ignore

/** N-channel MOSFET: on while its gate is high. Load at the drain with the source at 0 V, or as a follower at the source. */
export const nmosDriver = channelDriver({ kind: 'nmos', polarity: 'n', shipped });

/** The N-MOSFET that carries what no bipolar part of the list does; `null` where none does. */
export const nmosFor = (amps: number) => shipped.find(({ maxAmps }) => maxAmps >= amps) ?? null;
