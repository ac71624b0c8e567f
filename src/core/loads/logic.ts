import { GROUND } from '../circuit/netlist';
import { logicPullName } from '../parts/kinds/logicInput';
import { exactly, oneOf, within, type Infer } from '../schema';
import type { LoadDefinition, LoadFacts, LoadSaying, LoadSetting } from './definition';
import { LOAD_LIMITS as LIMITS } from './limits';
import { PLAIN_LOAD } from './ratedLoad';

export const logicField = exactly({
  kind: oneOf('logic'),
  /** The supply of the device whose pin it is, in V. */
  supplyVolts: within(LIMITS.logicVolts),
  /** Its own resistor: up to that supply where the switch pulls down, down to 0 V where the switch pulls up. */
  pullOhms: within(LIMITS.pullOhms),
  /** Read as low at or under this, as high at or over the other, as neither in between (V_IL, V_IH). */
  lowVolts: within(LIMITS.levelVolts),
  highVolts: within(LIMITS.levelVolts),
});

/** A pin of another device or board that reads whether the switch is on. */
export type LogicLoad = Infer<typeof logicField>;

/** The rail of the device that reads, of the load at a place. */
const logicRail = (index: number) => (index === 0 ? 'logic-supply' : `logic-supply.${index + 1}`);

/** How a pin reads a voltage. */
export function readsAs({ lowVolts, highVolts }: LogicLoad, volts: number): 'low' | 'high' | 'undefined' {
  if (volts <= lowVolts) return 'low';
  return volts >= highVolts ? 'high' : 'undefined';
}

/** A pin's own diodes begin to conduct so far over its supply, in V. */
const OVER_SUPPLY_VOLTS = 0.3;

export const logicLoad: LoadDefinition<LogicLoad> = {
  ...PLAIN_LOAD,
  showsShare: 0,
  field: logicField,
  defaults: { kind: 'logic', supplyVolts: 3.3, pullOhms: 47_000, lowVolts: 0.8, highVolts: 2 },
  parts: ({ pullOhms }, { hot, cold, isHighSide, index, ownIndex }) => [
    {
      kind: 'logic-input',
      role: 'load',
      index,
      pin: isHighSide ? hot : cold,
      rest: isHighSide ? GROUND : logicRail(ownIndex),
      bottom: GROUND,
      pullOhms,
    },
  ],
  sense: (designator) => ({ name: logicPullName(designator), kind: 'resistor' }),
  nominalAmps: ({ supplyVolts, pullOhms }) => supplyVolts / pullOhms,
  volts: () => null,
  levels: ({ lowVolts, highVolts }, isHighSide) =>
    isHighSide
      ? { by: 'volts', on: highVolts, off: lowVolts }
      : { by: 'volts', on: lowVolts, off: highVolts },
  // What its pull-up passes where the pin is halfway between what is read as low and as high.
  onFrom: ({ supplyVolts, pullOhms, lowVolts, highVolts }, isHighSide) => {
    const half = (lowVolts + highVolts) / 2;
    return { amps: (isHighSide ? half : supplyVolts - half) / pullOhms, isEitherWay: false };
  },
  // Pulled up by the switch it rests at 0 V: its own supply is then no part of this circuit.
  ownRail: ({ supplyVolts }, { ownIndex, isHighSide }) =>
    isHighSide ? null : { role: 'logic-supply', rail: logicRail(ownIndex), volts: supplyVolts },
  findings: sayPin,
};

function sayPin(load: LogicLoad, { pin }: LoadFacts, setting: LoadSetting): readonly LoadSaying[] {
  if (!pin) return [];
  const { lowVolts, highVolts, supplyVolts } = load;
  const [on, off] = setting.isHighSide ? (['high', 'low'] as const) : (['low', 'high'] as const);
  const unread = (isOn: boolean, volts: number): LoadSaying => ({
    state: 'cannot',
    finding: { code: 'pin-undefined', isOn, volts, lowVolts, highVolts },
  });
  const [under, over] = [Math.min(pin.onVolts, pin.offVolts), Math.max(pin.onVolts, pin.offVolts)];
  const isUnder = under < -OVER_SUPPLY_VOLTS;
  const said: LoadSaying[] = [];
  if (readsAs(load, pin.onVolts) !== on) said.push(unread(true, pin.onVolts));
  if (readsAs(load, pin.offVolts) !== off) said.push(unread(false, pin.offVolts));
  if (isUnder || over > supplyVolts + OVER_SUPPLY_VOLTS)
    said.push({
      state: 'cannot',
      finding: {
        ...{ code: 'pin-over-voltage', volts: isUnder ? under : over, supplyVolts },
        wants: wantsOf(setting),
      },
    });
  return said;
}

/** Beside others a pin gets what they let through; alone what the switch gives. */
function wantsOf({ isOnOutput, isShared }: LoadSetting) {
  if (isShared) return 'own-switch';
  return isOnOutput ? 'transistor' : 'minus-side';
}
