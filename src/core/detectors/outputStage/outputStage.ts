import { GROUND } from '../../circuit/netlist';
import type { OutputLevel } from '../../parts/base';
import { defaultTimer, timerField, timerOn, TWO_THIRDS } from '../../parts/kinds/timer';
import { isRatedForSupply } from '../../parts/kinds/comparator';
import type { NorGate } from '../../parts/kinds/gate';
import type { Draft } from '../../parts/part';
import { byKind, exactly, oneOf, within, type Infer } from '../../schema';
import { capacitor, inverter, resistor } from '../drafts';
import { otherLevel, type DetectorCircuit, type Switching } from '../switching';
import { ONE_SHOT_LIMITS } from './oneShot';
import { COUNTED_LIMITS } from './counted';
import { timingDrafts } from './pulse';

/** What comes between the detector and what it drives. */
export const outputStageField = byKind({
  direct: exactly({ kind: oneOf('direct') }),
  /** The other way round, as an active-low input wants it. */
  inverted: exactly({ kind: oneOf('inverted') }),
  /** A pulse of a timer IC each time it turns on, `t = R·C·ln 3`. */
  'one-shot': exactly({
    kind: oneOf('one-shot'),
    part: timerField,
    ohms: within(ONE_SHOT_LIMITS.ohms),
    farads: within(ONE_SHOT_LIMITS.farads),
  }),
  /** Each time it turns on, the load is on for minutes or hours, and off then until the next time: a counter tells them. */
  counted: exactly({
    kind: oneOf('counted'),
    ohms: within(COUNTED_LIMITS.ohms),
    farads: within(COUNTED_LIMITS.farads),
  }),
  /** Each time it turns on the load changes over. */
  toggle: exactly({ kind: oneOf('toggle') }),
});
export type OutputStage = Infer<typeof outputStageField>;

export const outputStageKinds = ['direct', 'inverted', 'one-shot', 'counted', 'toggle'] as const;

export const defaultOutputStages: { readonly [K in OutputStage['kind']]: Extract<OutputStage, { kind: K }> } =
  {
    direct: { kind: 'direct' },
    inverted: { kind: 'inverted' },
    'one-shot': { kind: 'one-shot', part: defaultTimer, ohms: 1_000_000, farads: 1e-6 },
    counted: { kind: 'counted', ohms: 1_000_000, farads: 1e-7 },
    toggle: { kind: 'toggle' },
  };

/** A kind of stage to start with, of parts that work on a supply where there are such. @param volts of the supply */
export const startingStage = (kind: OutputStage['kind'], volts: number): OutputStage =>
  stageOn(defaultOutputStages[kind], volts);

/** The same stage, of a timer IC that works on a supply where there is one. @param volts of the supply */
export function stageOn(stage: OutputStage, volts: number): OutputStage {
  if (stage.kind !== 'one-shot' || isRatedForSupply(stage.part, volts)) return stage;
  return { ...stage, part: timerOn(volts) ?? stage.part };
}

const OUT = 'driven';
const RAILS = { top: 'supply', bottom: GROUND } as const;
const CONTROL_FARADS = 1e-8;
/** The oscillator's input has so many times its timing resistor before it (as datasheets ask). */
const GUARD_TIMES = 10;

/** A stage's parts behind a detector's output, and the level that each of its outputs has for the detector's. */
interface Stage {
  readonly drafts: (out: string) => readonly Draft[];
  /** By its key, whether it is high while the detector's output is high. */
  readonly follows: Readonly<Record<string, boolean>>;
  readonly key: string;
}

/** What is on from its start to the counter's end, whatever becomes of the start. @param key of what it gives */
const latchOf = (start: string, out: string, key: string): readonly NorGate[] => [
  { key: 'count-reset', input: start, other: out, out: 'count.reset', isHeld: true },
  { key, input: 'count.reset', other: 'count.end', out },
];

/** @param onLevel of the output that turns the load on: what runs for a time runs from there, not from where it turns off */
function stageOf(stage: OutputStage, onLevel: OutputLevel): Stage | null {
  switch (stage.kind) {
    case 'direct':
      return null;
    case 'inverted':
      return {
        drafts: (input) => [inverter(input, OUT)],
        follows: { inverter: false },
        key: 'inverter',
      };
    case 'toggle':
      return {
        // It turns over where its clock goes high: an inverter before it where low is on.
        drafts: (input) => [
          ...(onLevel === 'high' ? [] : [inverter(input, 'toggle.clock')]),
          {
            kind: 'flip-flop',
            role: 'toggle',
            key: 'toggle',
            clock: onLevel === 'high' ? input : 'toggle.clock',
            out: OUT,
            inverted: 'inverted',
            ...RAILS,
          },
        ],
        // It is shown as it stands when it has changed over.
        follows: onLevel === 'high' ? { toggle: true } : { inverter: false, toggle: true },
        key: 'toggle',
      };
    case 'counted':
      return {
        // Two NOR gates hold one another: D starts them, the counter's end stops them, and what the first gives resets the counter
        // meanwhile. Where low is on, a gate before them turns D round, and one behind them what they give.
        drafts: (input) => [
          {
            ...{ kind: 'nor', role: 'counted', ...RAILS },
            gates:
              onLevel === 'high'
                ? latchOf(input, OUT, 'counted')
                : [
                    { key: 'count-start', input, other: input, out: 'count.start' },
                    ...latchOf('count.start', 'count.on', 'count-on'),
                    { key: 'counted', input: 'count.on', other: 'count.on', out: OUT },
                  ],
          },
          {
            ...{
              kind: 'counter',
              role: 'counter',
              key: 'counter',
              reset: 'count.reset',
              clock: 'count.clock',
            },
            ...{ toResistor: 'count.slow', toCapacitor: 'count.fast', between: 'count.swing' },
            ...{ out: 'count.end', ...RAILS },
          },
          resistor('counter-resistor', 'count.slow', 'count.swing', stage.ohms),
          resistor('counter-guard', 'count.swing', 'count.clock', GUARD_TIMES * stage.ohms),
          capacitor('counter-capacitor', 'count.fast', 'count.swing', stage.farads, 0),
          // At its end it holds its own clock.
          { kind: 'diode', role: 'counter-stop', anode: 'count.end', cathode: 'count.clock', carriedAmps: 0 },
        ],
        follows:
          onLevel === 'high'
            ? { 'count-reset': false, counted: true }
            : { 'count-start': false, 'count-reset': true, 'count-on': false, counted: true },
        key: 'counted',
      };
    case 'one-shot':
      return {
        // A timer's trigger fires on low, and its output is high then: an inverter before it, or behind it where low is on.
        drafts: (input) => [
          onLevel === 'high' ? inverter(input, 'trigger') : inverter('pulse.out', OUT),
          {
            kind: 'timer',
            role: 'one-shot',
            model: stage.part,
            key: 'one-shot',
            trigger: onLevel === 'high' ? 'trigger' : input,
            threshold: 'pulse',
            discharge: 'pulse',
            control: 'pulse.control',
            controlShare: TWO_THIRDS,
            lower: 'pulse.lower',
            out: onLevel === 'high' ? OUT : 'pulse.out',
            ...RAILS,
          },
          capacitor('control-filter', 'pulse.control', GROUND, CONTROL_FARADS, 1),
          ...timingDrafts(stage, 'pulse', 1),
        ],
        // While it is triggered its load is on; what it adds is the time after.
        ...(onLevel === 'high'
          ? { follows: { inverter: false, 'one-shot': true }, key: 'one-shot' }
          : { follows: { 'one-shot': false, inverter: true }, key: 'inverter' }),
      };
  }
}

/** The level before a stage at which it gives a level behind it. */
export const levelBefore = ({ kind }: OutputStage, level: OutputLevel): OutputLevel =>
  kind === 'inverted' ? otherLevel[level] : level;

/** A detector with what follows it. */
export function withOutputStage(
  circuit: DetectorCircuit,
  outputStage: OutputStage,
  onLevel: OutputLevel,
): DetectorCircuit {
  const stage = stageOf(outputStage, onLevel);
  if (!stage) return circuit;
  const { drafts, switching } = circuit;
  const levelsOf = (level: Switching['levels'][number]) =>
    Object.fromEntries(
      Object.entries(stage.follows).map(([key, follows]) => [key, follows ? level : otherLevel[level]]),
    );
  const states = switching.states.map((state, index) => ({
    ...state,
    ...levelsOf(switching.levels[index] ?? 'low'),
  }));
  return {
    drafts: [...drafts, ...stage.drafts(switching.out)],
    switching: {
      ...switching,
      out: OUT,
      states,
      levels: states.map((state) => state[stage.key] ?? 'low'),
    },
  };
}
