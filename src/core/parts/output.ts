import type { Element } from '../circuit/netlist';
import type { Net, OutputFigures, OutputLevel } from './base';

/** An output that is not driven. */
export const OFF_OHMS = 1e11;

/** An output between two rails: to either a resistance, and a current that stands for the voltage left over. It starts low. */
export function outputElements(
  name: string,
  figures: OutputFigures,
  { top, bottom, out }: { readonly top: Net; readonly bottom: Net; readonly out: Net },
): readonly Element[] {
  const { highOhms, lowOhms, highAmps, lowAmps } = drivenTo(figures, 'low');
  return [
    { kind: 'resistor', name: `${name}.high`, a: top, b: out, ohms: highOhms },
    { kind: 'resistor', name: `${name}.low`, a: out, b: bottom, ohms: lowOhms },
    { kind: 'current', name: `${name}.highDrop`, from: out, to: top, amps: highAmps },
    { kind: 'current', name: `${name}.lowDrop`, from: bottom, to: out, amps: lowAmps },
  ];
}

/** What stands between an output and its rails while it is driven to a level. */
export function drivenTo({ kind, outputOhms, highVolts, lowVolts }: OutputFigures, level: OutputLevel) {
  if (level === 'low')
    return { highOhms: OFF_OHMS, lowOhms: outputOhms, highAmps: 0, lowAmps: lowVolts / outputOhms };
  if (kind === 'open-collector') return { highOhms: OFF_OHMS, lowOhms: OFF_OHMS, highAmps: 0, lowAmps: 0 };
  return { highOhms: outputOhms, lowOhms: OFF_OHMS, highAmps: highVolts / outputOhms, lowAmps: 0 };
}
