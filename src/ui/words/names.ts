import type { Design } from '@/core/design';
import { isOneOf } from '@/core/record';
import type { Step, StepState } from '@/core/advise/advice';
import type { WayOutId } from '@/core/advise/waysOut';
import type { CompareId, Shortcoming } from '@/core/compare/compare';
import type { OutputStage } from '@/core/detectors/outputStage/outputStage';
import { transistorKinds, type Action, type LdrSide, type LoadPlace } from '@/core/drivers/kinds';
import type { TransistorKind } from '@/core/drivers/kinds';
import { drivers, shippedTransistors, type TransistorModel } from '@/core/drivers/registry';
import type { ContactUse } from '@/core/loads/contacts';
import type { Caution } from '@/core/loads/definition';
import type { LoadKind } from '@/core/loads/kinds';
import type { BatteryKindId, SourceKind } from '@/core/loads/supply';
import type { OutputKind } from '@/core/parts/base';
import { shippedComparators, type ComparatorModel } from '@/core/parts/kinds/comparator';
import type { TimerModel } from '@/core/parts/kinds/timer';
import { detectorWords } from './detectors';

export const stepNames: Readonly<Record<Step, string>> = {
  measure: 'Measure the LDR',
  divide: 'Size the divider',
  switch: 'Set the switch',
  drive: 'Drive the load',
  try: 'Try it',
  build: 'Build it',
  check: 'Check it',
};

/** The same where seven stand side by side. */
export const shortStepNames: Readonly<Record<Step, string>> = {
  measure: 'Measure',
  divide: 'Divide',
  switch: 'Switch',
  drive: 'Drive',
  try: 'Try',
  build: 'Build',
  check: 'Check',
};

/** What a load does at the light at which it counts as on. */
export const onWord = ({ isPullIn }: { readonly isPullIn: boolean }) => (isPullIn ? 'pull-in' : 'half on');

/** What becomes of the load at the light that is put at the goal. */
export const goalWord = ({ thresholds, drive }: Pick<Design, 'thresholds' | 'drive'>): string =>
  thresholds ? `turns ${thresholds.goalEnd}` : onWord(drive);

export const stateNames: Readonly<Record<StepState, string>> = {
  'in-order': 'in order',
  look: 'worth a look',
  cannot: 'cannot work',
};

export const actionNames: Readonly<Record<Action, string>> = {
  'on-in-dark': 'on in the dark',
  'on-in-light': 'on in the light',
};

export const sideNames: Readonly<Record<LdrSide, string>> = { top: 'LDR above', bottom: 'LDR below' };

export const transistorNames: Readonly<Record<TransistorKind, string>> = {
  npn: 'NPN',
  pnp: 'PNP',
  darlington: 'Darlington',
  nmos: 'N-MOSFET',
  pmos: 'P-MOSFET',
};

/** How many times its base current a kind is let carry where it should be fully on; `null` for a gate, which takes none. */
export const firmBetas: Readonly<Record<TransistorKind, string | null>> = {
  npn: '10 to 20',
  pnp: '10 to 20',
  darlington: '250 to 500',
  nmos: null,
  pmos: null,
};

const shippedTransistorNames: Readonly<Record<string, string>> = {
  'small-npn': 'small-signal NPN',
  'medium-npn': '1 A NPN',
  'small-pnp': 'small-signal PNP',
  'medium-pnp': '1 A PNP',
  'small-darlington': 'small Darlington',
  'power-darlington': 'power Darlington',
  'small-nmos': 'small logic-level N-MOSFET',
  'power-nmos': 'power logic-level N-MOSFET',
  'small-pmos': 'small logic-level P-MOSFET',
  'power-pmos': 'power logic-level P-MOSFET',
};

export const transistorNameOf = (id: string) => shippedTransistorNames[id] ?? 'custom part';

/** What a transistor is called: its kind of the list, or as its owner calls it. */
export function transistorName({ id, name }: Pick<TransistorModel, 'id' | 'name'>): string {
  return shippedTransistors.some((part) => part.id === id) ? transistorNameOf(id) : name || 'custom part';
}

/** The ends of a transistor as its kind calls them. */
export function endNames(kind: TransistorKind): Readonly<Record<LoadPlace, string>> {
  return drivers[kind].control === 'gate'
    ? { collector: 'drain', emitter: 'source' }
    : { collector: 'collector', emitter: 'emitter' };
}

export const controlName = (kind: TransistorKind): string => drivers[kind].control;

export const loadNames: Readonly<Record<LoadKind, string>> = {
  led: 'LED',
  buzzer: 'active buzzer',
  relay: 'relay',
  module: 'relay module',
  lamp: 'small lamp',
  motor: 'motor',
  logic: 'logic input',
  strip: 'LED strip',
  tone: 'tone buzzer',
  fan: 'fan',
  solenoid: 'solenoid',
};

export const supplyNames: Readonly<Record<SourceKind, string>> = {
  ideal: 'ideal supply',
  battery: 'battery',
  adapter: 'mains adapter',
  usb: 'USB',
};

export const batteryNames: Readonly<Record<BatteryKindId, string>> = {
  'alkaline-aa': 'AA alkaline',
  'alkaline-aaa': 'AAA alkaline',
  'nimh-aa': 'AA NiMH',
  'block-9v': '9 V block',
  'coin-3v': '3 V coin cell',
  'lead-12v': '12 V lead-acid',
};

export const partTroubles = {
  unnamed: 'Give the part a name.',
  'beta-order': 'The minimum β must not be above the typical one, nor that above the maximum.',
  'supply-order': 'The lowest supply must be under the highest.',
  'threshold-order': 'The minimum threshold must not be above the typical one, nor that above the maximum.',
} as const;

export const outputKindNames: Readonly<Record<OutputKind, string>> = {
  'push-pull': 'push–pull',
  'open-collector': 'open collector',
  bipolar: 'bipolar, short of the rails',
};

const comparatorNames: Readonly<Record<string, string>> = {
  'open-collector': 'comparator, open collector',
  'rail-to-rail': 'comparator, rail to rail',
  'open-drain': 'comparator, open drain, rail to rail',
  'op-amp': 'general-purpose op-amp',
  'single-supply-op-amp': 'single-supply op-amp',
  'rail-op-amp': 'rail-to-rail op-amp',
};

export function comparatorName({ id, name }: Pick<ComparatorModel, 'id' | 'name'>): string {
  return shippedComparators.some((part) => part.id === id)
    ? (comparatorNames[id] ?? name)
    : name || 'custom comparator';
}

const timerNames: Readonly<Record<string, string>> = {
  'bipolar-timer': 'bipolar timer',
  'cmos-timer': 'CMOS timer',
};

/** A comparator's or a timer IC's name. */
export const icNameOf = (id: string) => comparatorNames[id] ?? timerNames[id] ?? 'custom IC';

export const timerName = ({ id, name }: Pick<TimerModel, 'id' | 'name'>) =>
  timerNames[id] ?? (name || 'custom timer');

export const outputStageNames: Readonly<Record<OutputStage['kind'], string>> = {
  direct: 'direct',
  inverted: 'inverted',
  'one-shot': 'one-shot',
  counted: 'minutes or hours',
  toggle: 'toggle',
};

export const useNames: Readonly<Record<ContactUse, string>> = {
  nothing: 'nothing yet',
  resistive: 'a resistive load',
  lamp: 'a lamp',
  motor: 'a motor',
};

export const wayOutNames: Readonly<Record<WayOutId, string>> = {
  nmos: 'Use a logic-level N-MOSFET: its gate needs no current',
  darlington: 'Use a Darlington: far more gain, 0.7 V more lost',
  comparator: 'Use a comparator: it switches at an edge and drives the base by itself',
  'lighten-load': 'Run the LED at less current',
  'move-divider': 'Use an R1 that saturates the switch, wherever it then switches',
};

/** Where someone could be hurt or something burnt: the usual caution, in two sentences at most. */
export const cautionTexts: Readonly<Record<Caution, string>> = {
  mains:
    'Mains only behind an enclosed, rated relay or module, fused, and wired to your local code by someone licensed to do it. Never probe that side.',
  'capacitor-fed':
    'Never join this circuit’s ground to a transformerless (capacitor-fed) supply: such a supply is live throughout.',
  beam: 'A laser in a beam is of class 2 or lower, fixed, never at eye height, and never towards people, windows or mirrors.',
  'strong-cells':
    'These cells make a shorted wire glow: put a fuse at their plus, and charge them only with a charger made for them.',
  'coin-cell': 'Never charge a coin cell, and keep it away from children: swallowed it burns within hours.',
  hot: 'The lamp gets too hot to touch: keep it off plastic, paper and the LDR.',
  electrolytic:
    'Mind which way round an electrolytic goes: its stripe is minus. The wrong way round it swells and bursts.',
  coil: 'The diode across the coil always belongs there, its stripe towards plus: without it the first switching off kills the transistor.',
  inrush:
    'Lamps and motors take many times their current for a moment: contacts, fuse and supply must be rated for that.',
};

/** A way of switching as the comparison heads its row. */
export function compareName(id: CompareId): string {
  if (id === 'hysteresis') return 'Comparator with hysteresis';
  return isOneOf(transistorKinds, id) ? `${transistorNames[id]} alone` : detectorWords[id].title;
}

export const shortcomingTexts: Readonly<Record<Shortcoming, string>> = {
  'not-saturated': 'may not turn the load fully on',
  soft: 'dims in between',
  'no-band': 'chatters at the edge',
  'misses-off': 'turns off elsewhere than wanted',
  'fixed-band': 'its band is the LDR’s, not yours',
  'needs-firmware': 'needs firmware',
  'different-behaviour': 'different behaviour',
  'out-of-reach': 'cannot reach this goal',
  drifts: 'drifts with temperature or supply',
};
