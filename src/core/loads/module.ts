import { moduleInputName } from '../parts/kinds/module';
import { GROUND } from '../circuit/netlist';
import { exactly, flag, oneOf, within, type Infer } from '../schema';
import type { LoadDefinition, LoadSaying, LoadSetting } from './definition';
import { LOAD_LIMITS as LIMITS, OWN_AMPS } from './limits';
import { LED_REVERSE_VOLTS, PLAIN_LOAD, voltageSayings, voltsWithin } from './ratedLoad';

export const moduleField = exactly({
  kind: oneOf('module'),
  input: oneOf('active-high', 'active-low'),
  /** Its supply and full input signal, in V. */
  ratedVolts: within(LIMITS.volts),
  /** Into the input at that voltage. */
  inputAmps: within(LIMITS.amps),
  idleAmps: within(OWN_AMPS),
  onAmps: within(OWN_AMPS),
  useMains: flag(),
});

/** A ready-made module: a small signal input, and a supply of its own for what it switches. */
export type ModuleLoad = Infer<typeof moduleField>;

/** An opto-coupler's LED, as stands in a module's input. */
const INPUT_LED = { forwardVolts: 1.2, atAmps: 0.005 } as const;
const MIN_INPUT_OHMS = 10;
/** It works with these shares of its rated voltage, and with no less than so much of its input's current. */
const [WORKS_SHARE, MAX_SHARE] = [0.7, 1.1];
const LEAST_SHARE = 0.3;

export const moduleLoad: LoadDefinition<ModuleLoad> = {
  ...PLAIN_LOAD,
  reverseVolts: () => LED_REVERSE_VOLTS,
  field: moduleField,
  defaults: {
    kind: 'module',
    input: 'active-low',
    ratedVolts: 5,
    inputAmps: 0.003,
    idleAmps: 0.003,
    onAmps: 0.075,
    useMains: false,
  },
  parts: ({ input, ratedVolts, inputAmps }, { hot, cold, rail, isHighSide, index }) => [
    {
      kind: 'module',
      role: 'load',
      index,
      a: hot,
      b: cold,
      signal: isHighSide ? 'a' : 'b',
      input,
      ratedVolts,
      top: rail,
      bottom: GROUND,
      ohms: Math.max(MIN_INPUT_OHMS, (ratedVolts - INPUT_LED.forwardVolts) / inputAmps),
      led: INPUT_LED,
    },
  ],
  sense: (designator) => ({ name: moduleInputName(designator), kind: 'resistor' }),
  nominalAmps: ({ inputAmps }) => inputAmps,
  volts: ({ ratedVolts }) => voltsWithin(ratedVolts, WORKS_SHARE, MAX_SHARE),
  withOtherInput: (load, wanted) =>
    load.input === wanted
      ? null
      : { ...load, input: load.input === 'active-high' ? 'active-low' : 'active-high' },
  // Its input takes a current by what is left beside its LED.
  onFrom: ({ ratedVolts, inputAmps }) => {
    const { forwardVolts } = INPUT_LED;
    const share = (WORKS_SHARE * ratedVolts - forwardVolts) / (ratedVolts - forwardVolts);
    return { amps: inputAmps * (share > LEAST_SHARE && share < 1 ? share : LEAST_SHARE), isEitherWay: false };
  },
  ownAmps: ({ idleAmps, onAmps }) => ({ off: idleAmps, on: onAmps }),
  cautions: ({ useMains }) => (useMains ? ['mains', 'capacitor-fed'] : []),
  findings: (load, facts, setting) => [...voltageSayings('module', facts), ...sayInput(load, setting)],
};

/** An active-high input wants current from a high-side switch, an active-low one is pulled down. */
function sayInput({ input }: ModuleLoad, { isHighSide, isOnOutput }: LoadSetting): readonly LoadSaying[] {
  if (isHighSide === (input === 'active-high')) return [];
  const finding = { code: 'module-wrong-side', input } as const;
  return [
    isOnOutput
      ? { state: 'cannot', finding, fix: { kind: 'output-rail', to: isHighSide ? 'supply' : 'ground' } }
      : { state: 'cannot', finding, fix: { kind: 'switch-side', to: isHighSide ? 'low' : 'high' } },
  ];
}
