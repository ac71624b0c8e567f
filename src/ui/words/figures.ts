import { fixed, precise, shortest } from '@/core/quantity/notation';
import { formatQuantity, GAP } from '@/core/quantity/format';

/** Light as it is shown: `12.3 lx`. */
export const lux = (value: number) => formatQuantity(value, 'lx', { trim: true });
export const ohms = (value: number) => formatQuantity(value, 'Ω');
/** A resistor one can buy: no zeros that its name does not have. */
export const partOhms = (value: number) => formatQuantity(value, 'Ω', { digits: 3, trim: true });
/** A current that a part or a supply is named by: `400 mA`, `2 A`. */
export const partAmps = (value: number) => formatQuantity(value, 'A', { digits: 3, trim: true });
/** A voltage that a part or a supply is named by: `6 V`, `4.5 V`. */
export const partVolts = (value: number) => formatQuantity(value, 'V', { digits: 3, trim: true });
/** A rail with its sign: `+6 V`, `−12 V`. */
export const railText = (value: number) => `${value < 0 ? '−' : '+'}${partVolts(Math.abs(value))}`;
export const volts = (value: number) => (Math.abs(value) < 0.0005 ? `0${GAP}V` : voltText(value));
/** A current as a bench meter would show it: under 50 nA there is nothing to see. */
export const amps = (value: number) => (Math.abs(value) < 5e-8 ? `0${GAP}µA` : formatQuantity(value, 'A'));
export const watts = (value: number) => formatQuantity(value, 'W', { digits: 2 });
export const frequency = (value: number) => formatQuantity(value, 'Hz', { digits: 3, trim: true });
export const celsius = (value: number) => `${fixed(value, 0)}${GAP}°C`;
export const kelvin = (value: number) => `${fixed(value, value < 10 ? 1 : 0)}${GAP}K`;
export const percent = (share: number, digits = 0) => `${fixed(share * 100, digits)}${GAP}%`;
/** Either way: `±0.04 %`, with as many digits as it takes to be seen. */
export const eitherWay = (share: number) =>
  `±${fixed(share * 100, share >= 0.01 ? 1 : share >= 0.001 ? 2 : 3)}${GAP}%`;
/** How far a drifting offset takes the switching light. */
export const offsetDriftText = (share: number) => `${eitherWay(share)} as its offset drifts`;
export const ratio = (value: number) => `×${value < 1000 ? precise(value, 3) : shortest(value, 2)}`;
export function beta(value: number): string {
  if (value >= 10_000) return `over 10${GAP}000`;
  if (value >= 1000) return wholeText(Number(value.toPrecision(2)));
  return value < 0.01 ? 'under 0.01' : precise(value, value < 10 ? 2 : 3);
}

/** A whole number in groups of three, in any notation: `500 000`. */
export const wholeText = (count: number) => count.toLocaleString('en-GB').replaceAll(',', GAP);

/** An amount of data: `640 B`, `12 kB`, `3.4 MB`. */
export function bytesText(bytes: number): string {
  if (bytes < 1000) return `${Math.round(bytes)}${GAP}B`;
  const [unit, size] = bytes < 1e6 ? ['kB', 1e3] : bytes < 1e9 ? ['MB', 1e6] : ['GB', 1e9];
  const amount = bytes / Number(size);
  return `${amount < 10 ? fixed(amount, 1) : Math.round(amount)}${GAP}${unit}`;
}

/** Volts as a meter on its 2 V or 20 V range shows them. */
function voltText(value: number): string {
  const size = Math.abs(value);
  return `${value < 0 ? '−' : ''}${fixed(size, size < 2 ? 3 : 2)}${GAP}V`;
}
