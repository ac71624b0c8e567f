import { shortest } from '@/core/quantity/notation';
import type { BoardId } from '@/core/board/board';
import type { BoardFault } from '@/core/build/readBack';
import type { BuildCheck, BuildStep, StepGroup } from '@/core/build/steps';
import type { Piece } from '@/core/build/pieces';
import { diodeAmps, type InStock, type PartLine } from '@/core/build/partsList';
import type { Net } from '@/core/parts/base';
import { bestRange, meterOf } from '@/core/meter/meter';
import { formatShown, rangeFormat } from '@/core/meter/shown';
import { capacitorKindOf } from '@/core/parts/kinds/capacitor';
import { deviceFacts } from '@/core/parts/kinds/device';
import type { Part } from '@/core/parts/part';
import { formatQuantity, GAP } from '@/core/quantity/format';
import type { Project } from '@/core/project/project';
import type { WireColor } from '@/core/project/built/buildSettings';
import { netName, valueOfPart } from './nets';
import { lux, ohms, partAmps, partOhms, partVolts, volts } from './figures';
import { ledNames } from './leds';
import { batteryNames, comparatorName, timerName } from './names';

export const boardNames: Readonly<Record<BoardId, string>> = {
  '170': '170 holes, no rails',
  '400': '400 holes',
  '830': '830 holes',
  '830x2': 'two of 830 holes',
};

export const wireColorNames: Readonly<Record<WireColor, string>> = {
  ...{ red: 'red', black: 'black', blue: 'blue', green: 'green', yellow: 'yellow' },
  ...{ orange: 'orange', white: 'white', brown: 'brown', violet: 'violet', grey: 'grey' },
};

export const groupNames: Readonly<Record<StepGroup, string>> = {
  wires: 'Jumpers',
  resistors: 'Resistors',
  diodes: 'Diodes',
  capacitors: 'Capacitors',
  others: 'LDR, LEDs, transistors and trimmers',
  beside: 'What stands beside the board',
  ics: 'ICs and boards, with the supply off',
  supply: 'Supply, last of all',
};

const polarityNames = { n: 'N', p: 'P' } as const;

/** What a part is, as someone would ask for it in a shop. */
export function partKindText(part: Part): string {
  switch (part.kind) {
    case 'resistor':
      return 'resistor';
    case 'trimmer':
      return part.degrees > 360 ? `trimmer, ${Math.round(part.degrees / 360)} turns` : 'trimmer, single turn';
    case 'capacitor':
      return part.role === 'decoupling' ? 'ceramic capacitor' : `${capacitorKindOf(part.farads)} capacitor`;
    case 'ldr':
      return 'LDR';
    case 'led':
      return `${part.color === 'own' ? '' : `${ledNames[part.color]} `}LED, about ${partVolts(part.led.forwardVolts)}`;
    case 'diode':
      return `rectifier diode, ${partAmps(diodeAmps(part.carriedAmps))}`;
    case 'bipolar':
      if (part.isDarlington) return 'Darlington transistor';
      return part.polarity === 'n' ? 'NPN transistor' : 'PNP transistor';
    case 'mosfet':
      return `logic-level ${polarityNames[part.polarity]}-MOSFET`;
    case 'comparator':
      return `${comparatorName(part.model)}, ${part.unitCount === 1 ? 'single' : part.unitCount === 2 ? 'dual' : 'quad'}`;
    case 'timer':
      return timerName(part.model);
    case 'oscillator':
      return 'timer IC as oscillator';
    case 'gate':
      return 'six CMOS inverters';
    case 'nor':
      return 'four CMOS NOR gates';
    case 'flip-flop':
      return 'two CMOS D flip-flops';
    case 'counter':
      return '14-stage CMOS counter with oscillator';
    case 'controller':
      return 'microcontroller board';
    case 'device':
      return deviceNames[part.device];
    case 'lamp':
      return `lamp, ${partVolts(part.ratedVolts)}`;
    case 'strip':
      return 'LED strip';
    case 'module':
      return 'relay module';
    case 'sounder':
      return 'tone buzzer';
    case 'logic-input':
      return 'input of another device';
    case 'supply':
      return part.role === 'logic-supply'
        ? `the other device’s own supply, ${partVolts(Math.abs(part.volts))}`
        : `supply, ${partVolts(Math.abs(part.volts))}`;
  }
}

const deviceNames = {
  relay: 'relay',
  buzzer: 'active buzzer',
  motor: 'motor',
  fan: 'fan',
  solenoid: 'solenoid',
} as const;

/** A value as it is ordered: `4.7 kΩ`, `100 nF`; nothing where it has none. */
export function pieceValue({ part }: Pick<Piece, 'part'>): string {
  return valueOfPart(part);
}

/** `R1, 4.7 kΩ resistor`. */
export function pieceText(piece: Pick<Piece, 'id' | 'part' | 'together'>): string {
  const value =
    piece.part.kind === 'resistor' || piece.part.kind === 'capacitor' ? `${pieceValue(piece)} ` : '';
  if (piece.together && piece.part.kind === 'led') {
    const { inSeries, strings } = piece.part;
    return `${piece.id}, ${strings} rows of ${inSeries} LEDs, each row with its resistor, soldered up by themselves`;
  }
  return `${piece.id}, ${value}${partKindText(piece.part)}`;
}

export function stockText(stock: InStock): string {
  switch (stock.kind) {
    case 'yes':
      return 'yes';
    case 'pair':
      return `${stock.parts.map(partOhms).join(' and ')} in ${stock.how}`;
    case 'no':
      return 'no';
    case 'unknown':
      return '';
  }
}

/** What doing without a part makes of the design. @param light where it switches then; `null` where it has no light */
export function standInText(designator: string, ohms: number, light: string | null): string {
  const there = light === null ? '' : ` It then switches at ${light}.`;
  return `${designator} is not in stock; ${partOhms(ohms)} is, with R1 sized again for it.${there}`;
}

const toleranceText = (tolerance: { readonly low: number; readonly high: number } | null): string => {
  if (!tolerance) return '';
  const [low, high] = [Math.round(-tolerance.low * 100), Math.round(tolerance.high * 100)];
  return low === high ? `±${high}${GAP}%` : `−${low} / +${high}${GAP}%`;
};

/** What it must be rated at least. */
function ratedText(minWatts: number | null, minVolts: number | null): string {
  return [
    minWatts === null ? '' : `${shortest(minWatts, 3)}${GAP}W`,
    minVolts === null ? '' : partVolts(minVolts),
  ]
    .filter((text) => text !== '')
    .join(', ');
}

/** What is wrong on a board, in one sentence with what to do. */
export function boardFaultText(fault: BoardFault): string {
  switch (fault.code) {
    case 'off-board':
      return `${fault.piece ?? 'A wire'} has no hole at ${fault.hole}: move it onto the board.`;
    case 'not-placed':
      return `${fault.piece} is not plugged in.`;
    case 'does-not-fit':
      return `${fault.piece}: its legs do not fit these holes.`;
    case 'hole-taken':
      return `${fault.pieces.join(' and ')} want the same hole, ${fault.hole}.`;
    case 'own-row':
      return `${fault.piece} stands in one row with itself, at ${fault.hole}: its legs are shorted.`;
    case 'shorted':
      return `Shorted: ${fault.leads.map(({ piece, hole }) => `${piece.id} at ${hole}`).join(' and ')} must not meet.`;
    case 'open':
      return `Open: ${fault.leads.map(({ piece, hole }) => `${piece.id} at ${hole}`).join(' and ')} should be joined (${netName(fault.net)}).`;
  }
}

/** A net as someone at the bench calls it. */
export const joinedText = (net: Net): string => (net === 'mid' ? 'midpoint A' : netName(net));

/** One step as it is done. */
export function stepText(step: BuildStep, color: WireColor | null): string {
  switch (step.kind) {
    case 'wire':
      return `${color ? `${capital(wireColorNames[color])} jumper` : 'Jumper'} from ${step.wire.from} to ${step.wire.to} (${joinedText(step.net)})`;
    case 'piece':
      return `${pieceText(step.piece)}: ${whereText(step.piece, step.holes)}`;
    case 'lead': {
      const { piece, lead, hole, joinsGrounds } = step;
      const join = joinsGrounds ? '; this joins the grounds of both supplies' : '';
      return `${pieceText(piece)}: ${lead.name} into ${hole}${join}`;
    }
    case 'check':
      return 'Check before you go on';
  }
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

function whereText({ body, leads }: Piece, holes: readonly string[]): string {
  if (body.kind === 'dip')
    return `over the trench, notch to the left, pin 1 in ${holes[0] ?? ''}, pin ${holes.length} in ${holes.at(-1) ?? ''}`;
  if (body.kind === 'two-legs' && !body.isPolar) return `${holes.join(' and ')}, either way round`;
  return leads.map(({ name }, index) => `${name} in ${holes[index] ?? ''}`).join(', ');
}

/** What to hold the meter to, and what it shows when all is well. */
export function checkText(check: BuildCheck, meter: Project['meter']): string {
  switch (check.code) {
    case 'rails-apart':
      return 'Supply off. Ohmmeter from plus to 0 V: OL, nothing joins them yet.';
    case 'rail-to-rail':
      return check.minOhms === Infinity
        ? 'Supply off, no IC or board in yet. Ohmmeter from plus to 0 V, red lead at plus: OL. Much less means a short.'
        : `Supply off, no IC or board in yet. Ohmmeter from plus to 0 V, red lead at plus: ${asShown(check.minOhms, meter)} or more, in whatever light. Much less means a short.`;
    case 'ic-supply':
      return `Voltmeter at ${check.piece}, red lead on pin ${check.plusPin}, black on pin ${check.minusPin}: your ${volts(check.volts)}.`;
  }
}

/** A resistance as the user's own meter shows it, on its best range. */
function asShown(value: number, ref: Project['meter']): string {
  const meter = ref && meterOf(ref);
  const range = meter && bestRange(meter, value);
  if (!meter || !range) return ohms(value);
  const unit = { 0: 'Ω', 3: 'kΩ', 6: 'MΩ', 9: 'GΩ' }[rangeFormat(meter, range).exponent];
  return `${formatShown(meter, range, value)} on ${formatQuantity(range.fullOhms, 'Ω', { trim: true })} (${unit})`;
}

/** A line of a parts list in words, as it stands in a table, a spreadsheet and on the sheet. */
export interface PartLineText {
  readonly designators: string;
  readonly what: string;
  readonly value: string;
  readonly marked: string;
  readonly tolerance: string;
  readonly rated: string;
}

/** What a part without a value is made for, as it is asked for. */
function madeForText({ part, supply, r10Ohms }: PartLine): string {
  switch (part.kind) {
    case 'device': {
      const { ratedVolts, ohms: coilOhms } = part;
      return deviceFacts(part).isCoil
        ? `${partVolts(ratedVolts)} coil, ${partOhms(coilOhms)}`
        : `${partVolts(ratedVolts)}, ${partAmps(ratedVolts / coilOhms)}`;
    }
    case 'ldr':
      return r10Ohms === null
        ? ''
        : `about ${formatQuantity(r10Ohms, 'Ω', { digits: 2, trim: true })} at ${lux(10)}`;
    case 'lamp':
      return partAmps(part.ratedAmps);
    case 'strip':
      return `${partVolts(part.ratedVolts)}, ${partAmps(part.ratedAmps)}`;
    case 'module':
      return `${partVolts(part.ratedVolts)}, ${part.input === 'active-low' ? 'on while its input is low' : 'on while its input is high'}`;
    case 'supply':
      return supply?.cells ? `${supply.cells.count} × ${batteryNames[supply.cells.battery]}` : '';
    default:
      return '';
  }
}

/** What a part without a value must be rated at least: the part that the design was worked out with, or any that is no weaker. */
function leastText({ part, supply }: PartLine): string {
  switch (part.kind) {
    case 'bipolar': {
      const { maxAmps, maxVolts, minBeta } = part.model;
      return `${partAmps(maxAmps)}, ${partVolts(maxVolts)}, β${GAP}${minBeta}`;
    }
    case 'mosfet':
      return `${partAmps(part.model.maxAmps)}, ${partVolts(part.model.maxVolts)}`;
    case 'device':
      return part.contactAmps === undefined ? '' : `contacts ${partAmps(part.contactAmps)}`;
    case 'supply':
      return supply ? partAmps(supply.minAmps) : '';
    default:
      return '';
  }
}

export function partLineText(line: PartLine): PartLineText {
  const { part, marking, value, tolerance, minWatts, minVolts } = line;
  return {
    designators: line.designators.join(', '),
    what: [partKindText(part), madeForText(line)].filter((text) => text !== '').join(', '),
    value: value ? pieceValue(line) : '',
    marked: marking === null ? '' : marking.kind === 'code' ? marking.code : marking.bands.join(' '),
    tolerance: value ? toleranceText(tolerance) : '',
    rated: value ? ratedText(minWatts, minVolts) : leastText(line),
  };
}
