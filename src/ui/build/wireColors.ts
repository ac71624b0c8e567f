import type { BuildSettings, WireColor } from '@/core/project/built/buildSettings';
import { GROUND } from '@/core/circuit/netlist';
import type { Net } from '@/core/parts/base';

/** How wire of a colour is painted by day. */
export const WIRE_PAINT: Readonly<Record<WireColor, string>> = {
  red: '#C6392F',
  black: '#23262F',
  blue: '#2F62B5',
  green: '#2E8B57',
  yellow: '#D9B310',
  orange: '#DE7A22',
  white: '#F2F2F2',
  brown: '#7A4A2B',
  violet: '#7D4BA0',
  grey: '#8C919E',
};

const PLUS_NETS: readonly Net[] = ['supply', 'load-supply', 'second-supply'];

/** The colour of a net's wire by the user's rule. */
export function wireColorOf(net: Net, wires: BuildSettings['wires']): WireColor {
  if (net === GROUND) return wires.ground;
  return PLUS_NETS.includes(net) ? wires.plus : wires.other;
}
