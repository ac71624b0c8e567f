import type { OutputStage } from '../detectors/outputStage/outputStage';
import type { LoadKind } from '../loads/kinds';
import type { GoalMeaning } from '../detectors/definition';
import type { DetectorFinding, DetectorFix } from '../detectors/finding';
import type { DetectorSettings } from '../detectors/registry';
import type { DriverFinding, DriverFix } from '../drivers/finding';
import type { Action } from '../drivers/kinds';
import type { FitRefusal } from '../ldr/fit';
import type { LightRange } from '../light/range';
import type { LoadFinding, LoadFix, ModuleInput } from '../loads/finding';
import type { Flag, Judgement } from '../readings/judge';
import type { LampKind } from '../readings/reading';
import type { SizedDesign } from '../size/sized';

/** The steps of the way from LDR to load. */
export type Step = 'measure' | 'divide' | 'switch' | 'drive' | 'try' | 'build' | 'check';
export type StepState = 'in-order' | 'look' | 'cannot';

/** What there is to say of the readings. */
export type MeasureFinding =
  | {
      readonly code: 'typical-ldr';
      readonly why: FitRefusal;
      readonly count: number;
      /** The design answers to changes: there is no light at which it switches. */
      readonly ofChange: boolean;
    }
  | { readonly code: 'bag-ldr'; readonly bagCount: number }
  | { readonly code: 'two-readings' | 'background-unread' | 'layers-alone' }
  | { readonly code: 'odd-readings'; readonly count: number; readonly first: Flag }
  | { readonly code: 'mixed-lamps'; readonly lamps: readonly LampKind[] }
  | { readonly code: 'left-out'; readonly count: number }
  | { readonly code: 'gamma-impossible' | 'gamma-unusual'; readonly gamma: number }
  | {
      readonly code: 'goal-outside-readings';
      readonly goalLux: number;
      readonly minLux: number;
      readonly maxLux: number;
    };

/** What there is to say of the divider. */
export type DivideFinding =
  /** `meant`: what the goal is to its way of switching. */
  | { readonly code: 'wrong-action'; readonly wanted: Action; readonly meant: GoalMeaning['lights'] }
  | { readonly code: 'goal-out-of-reach'; readonly goalLux: number; readonly reach: LightRange | null }
  | { readonly code: 'never-switches'; readonly stays: 'on' | 'off'; readonly range: LightRange }
  /** It turns off at its goal, and no light of the range turns it on again. */
  | { readonly code: 'stays-off'; readonly offLux: number; readonly range: LightRange }
  | {
      readonly code: 'reference-beyond';
      readonly referenceVolts: number;
      readonly minVolts: number;
      readonly maxVolts: number;
    }
  | {
      readonly code: 'off-goal';
      readonly goalLux: number;
      readonly switchLux: number;
      /** The resistor in stock that comes nearest; where that is the present one, what would be exact. */
      readonly ohms: number;
      readonly isNearest: boolean;
    }
  | { readonly code: 'empty-stock'; readonly ohms: number }
  | { readonly code: 'ldr-over-voltage'; readonly volts: number; readonly maxVolts: number }
  | { readonly code: 'ldr-warm'; readonly watts: number; readonly maxWatts: number; readonly lux: number };

/** What there is to say of an output, of what follows it, and of light that the design itself or a beam makes. */
export type OutputFinding =
  | {
      readonly code: 'never-releases';
      readonly offVolts: number;
      readonly share: number;
      /** What is left is too little to keep it on. */
      readonly isOff: boolean;
    }
  | {
      readonly code: 'output-over-current';
      readonly amps: number;
      readonly maxAmps: number;
      /** What most of it goes to; `null` where that is neither of these. */
      readonly into: 'load' | 'base' | 'pull-up' | null;
    }
  /** An open output that a load on more volts pulls up over its part's rating. */
  | { readonly code: 'output-over-volts'; readonly volts: number; readonly maxVolts: number }
  /** The transistor alone: no path leads to its base; and a load that is never quite off. */
  | { readonly code: 'direct-dead' }
  | { readonly code: 'stays-lit'; readonly amps: number; readonly share: number }
  /** A coil beside other loads on a transistor alone: its current comes on the way, at other lights than theirs. */
  | {
      readonly code: 'coil-apart';
      readonly inLux: number;
      readonly outLux: number | null;
      readonly halfLux: number;
    }
  | { readonly code: 'pulse-leaks'; readonly seconds: number }
  /** An IC behind the detector on more or fewer volts than it works on. */
  | {
      readonly code: 'stage-supply';
      readonly ic: 'timer' | 'logic';
      readonly volts: number;
      readonly minVolts: number;
      readonly maxVolts: number;
    }
  /** An output that goes below 0 V, into an IC that runs on 0 V. */
  | { readonly code: 'stage-below-ground'; readonly volts: number }
  /** … or into a load that passes current one way only, with its other end at 0 V: what it gets the other way, and its rating. */
  | {
      readonly code: 'load-reversed';
      readonly load: LoadKind;
      readonly volts: number;
      readonly maxVolts: number;
    }
  | {
      readonly code: 'feedback-light';
      readonly verdict: 'blinks' | 'restarts' | 'turns-back' | 'latches' | 'dims-itself';
      readonly feedbackLux: number;
      readonly maxLux: number;
      /** Its band can be made wider. */
      readonly widens: boolean;
    }
  | {
      /** A window tells a beam where one of its two lights lies within it, and the other not. */
      readonly code: 'beam-beside-window';
      readonly brokenLux: number;
      readonly wholeLux: number;
      readonly fromLux: number;
      readonly toLux: number;
    }
  | {
      readonly code: 'beam-missed';
      readonly isBroken: boolean;
      readonly lux: number;
      readonly thresholdLux: number | null;
    };

/** What there is to say of supplies and resistors. */
export type SupplyFinding =
  | {
      /** `null` where the loads' own current, which no supply of the circuit's netlist gives, is what is too much. */
      readonly code: 'supply-over-limit';
      readonly foldedVolts: number | null;
      readonly amps: number;
      readonly limitAmps: number;
    }
  | {
      readonly code: 'inrush-over-limit';
      readonly amps: number;
      readonly limitAmps: number;
    }
  /** Current flows into a supply, which none is made for. */
  | { readonly code: 'supply-fed-back'; readonly feeds: 'both' | 'sensor' | 'load'; readonly amps: number }
  | {
      readonly code: 'cells-disagree';
      readonly volts: number;
      readonly cells: number;
      readonly cellVolts: number;
    }
  /** The load's own, on which nothing hangs. */
  | { readonly code: 'supply-unused'; readonly volts: number }
  | {
      readonly code: 'supply-sags';
      readonly volts: number;
      readonly amps: number;
      readonly ohms: number;
      /** A threshold that does not go with the supply has a divider that does. */
      readonly movesLight: boolean;
    }
  /** One module wants its input high to be on, another one low. */
  | { readonly code: 'sides-disagree' }
  /** What the pin that makes the tone switches besides, on and off with each swing of it: half as bright, or no use at all. */
  | { readonly code: 'tone-shared'; readonly load: LoadKind; readonly isDimmed: boolean }
  /** … or another buzzer with a tone of its own. */
  | { readonly code: 'tones-disagree'; readonly hertz: number; readonly otherHertz: number }
  /** What follows the pin takes each swing of the tone for a turning on. */
  | { readonly code: 'tone-into-stage'; readonly stage: 'one-shot' | 'counted' | 'toggle' }
  /** No one supply suits both: the one takes no more than that, the other needs at least this. */
  | {
      readonly code: 'loads-disagree';
      readonly mostLoad: LoadKind;
      readonly mostVolts: number;
      readonly leastLoad: LoadKind;
      readonly leastVolts: number;
    }
  | { readonly code: 'resistor-hot'; readonly designator: string; readonly watts: number };

/** An end of what a design may meet: a supply flat or fresh, cold or heat, the weakest or strongest transistor of its kind. */
export type CornerPlace =
  | {
      readonly corner: 'flat' | 'fresh';
      readonly feeds: 'both' | 'sensor' | 'load';
      /** Open voltage there, and that at which the job ends, in V: of a cell where there are some, else of the supply. */
      readonly volts: number;
      readonly endsVolts: number;
      readonly isOfCell: boolean;
    }
  | { readonly corner: 'cold' | 'hot'; readonly celsius: number; readonly endsCelsius: number }
  | {
      readonly corner: 'weak' | 'strong';
      /** Its β, or the threshold of its gate in V, there; `null` for the other. */
      readonly beta: number | null;
      readonly thresholdVolts: number | null;
    };

/** It works, but not at such an end: what is wrong there. */
export type CornerFinding = CornerPlace & { readonly code: 'at-corner'; readonly inner: Finding };

/** Something to be told: a code with its figures. */
export type Finding =
  | CornerFinding
  | MeasureFinding
  | DivideFinding
  | OutputFinding
  | SupplyFinding
  | DetectorFinding
  | DriverFinding
  | LoadFinding;

export type FindingCode = Finding['code'];

/** The ends of what a supply may have: cells that are flat or fresh, an adapter at its lowest or highest. */
export type SupplyCorner = 'flat' | 'fresh';

/** A change that a finding proposes: tried before anything is offered. Plain data; `editFor` makes it an edit. */
export type Fix =
  | DetectorFix<DetectorSettings>
  | DriverFix
  | LoadFix
  | { readonly kind: 'swap-ldr-side' }
  | { readonly kind: 'use-divider' }
  | { readonly kind: 'take-fixed'; readonly ohms: number }
  | { readonly kind: 'take-release'; readonly ohms: number; readonly baseOhms: number }
  | { readonly kind: 'match-cells'; readonly isLoadSide: boolean; readonly volts: number }
  | { readonly kind: 'swap-edges' | 'one-supply' }
  /** In series with the LDR. */
  | { readonly kind: 'ldr-series'; readonly ohms: number }
  | { readonly kind: 'set-output-stage'; readonly stage: OutputStage }
  | { readonly kind: 'goal-for-beam' }
  /** Modules with an input of the other sort, or all with one: a jumper sets it on many. */
  | { readonly kind: 'module-input'; readonly input?: ModuleInput };

/** Which of several loads of one kind is meant. */
export interface OfLoad {
  readonly index: number;
  readonly designator: string;
}

/** A finding with the step it belongs to, how grave it is, and the change that it would try first. */
export type Advice = {
  readonly step: Step;
  readonly state: Exclude<StepState, 'in-order'>;
  readonly fix?: Fix;
  readonly ofLoad?: OfLoad;
} & Finding;

/** What advice is of, without its figures: two of one code may be of two loads, sides, ends or causes, and one graver than the other. */
export function findingKey(finding: Advice | Finding): string {
  const inner = 'inner' in finding ? findingKey(finding.inner) : '';
  const marks = Object.entries(finding).flatMap(([name, value]) =>
    name !== 'step' && (typeof value === 'string' || typeof value === 'boolean') ? [`${name}=${value}`] : [],
  );
  // A load keeps its place; its designator may be another one after a change.
  const place = 'ofLoad' in finding && finding.ofLoad ? `load ${finding.ofLoad.index}` : '';
  return [...marks.sort(), place, inner].join(' ');
}

/** Says something into a list. */
export type Say = (state: Advice['state'], finding: Finding, fix?: Fix | null) => void;

export const sayInto =
  (list: Advice[], step: Step, ofLoad: OfLoad | null = null): Say =>
  (state, finding, fix) =>
    list.push({ step, state, ...finding, ...(fix ? { fix } : {}), ...(ofLoad ? { ofLoad } : {}) });

/** A design as far as it is worked out before anything is said of it. */
export type Found = SizedDesign & { readonly judgement: Judgement };
