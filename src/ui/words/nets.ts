import { eachOhms } from '@/core/parts/kinds/resistor';
import { formatQuantity } from '@/core/quantity/format';
import type { Net } from '@/core/parts/base';
import type { Part } from '@/core/parts/part';
import { partOhms } from './figures';

const names: Readonly<Record<string, string>> = {
  '0': '0 V',
  supply: 'plus',
  'load-supply': 'load plus',
  negative: 'minus',
  mid: 'A',
  ldr: 'LDR end',
  fixed: 'trimmer end',
  anode: 'LED +',
  in: '+ input',
  'in.step': 'input',
  'in.upper': 'upper input',
  'in.lower': 'lower input',
  'ref.upper': 'ref. upper',
  'ref.lower': 'ref. lower',
  base: 'B',
  ref: 'R',
  'ref.high': 'H',
  out: 'out',
  driven: 'D',
  change: 'behind C1',
  amplified: 'amplified',
  inverting: 'gain −',
  control: 'control',
  trigger: 'trigger',
  pulse: 'timing',
  'pulse.control': 'control',
  'toggle.clock': 'clock',
  'pulse.out': 'pulse',
  'count.on': 'counting',
  'count.reset': 'reset',
  'count.end': 'end',
  'count.clock': 'clock',
  'count.swing': 'swing',
  'count.slow': 'slow',
  'count.fast': 'fast',
  second: '2nd coil',
  'second-supply': '2nd plus',
  'logic-supply': 'its device’s plus',
  tone: 'tone',
  'tone-timing': 'timing',
  'tone-discharge': 'disch.',
};

/** A net as the drawing names it: a rail, or the letter of its test point. */
export function netName(net: Net): string {
  const [, base = net, further] = /^(.+?)[.-]?(\d+)$/.exec(net) ?? [];
  const name = names[base] ?? base.replace('.', ' ');
  return further === undefined ? name : `${name} ${further}`;
}

/** A part's value beside its name; nothing where it has none. */
export function valueOfPart(part: Part): string {
  switch (part.kind) {
    case 'resistor':
      return partOhms(eachOhms(part));
    case 'trimmer':
      return partOhms(part.trackOhms);
    case 'capacitor':
      return formatQuantity(part.farads, 'F', { digits: 2, trim: true });
    case 'gate':
      return 'inverter';
    case 'flip-flop':
      return 'flip-flop';
    case 'nor':
      return 'NOR gates';
    case 'counter':
      return 'counter';
    case 'timer':
    case 'oscillator':
      return 'timer';
    default:
      return '';
  }
}
