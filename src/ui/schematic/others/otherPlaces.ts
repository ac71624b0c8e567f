import { GROUND } from '@/core/circuit/netlist';
import type { Assembly } from '@/core/operate/assembly';
import type { Part } from '@/core/parts/part';
import { pinsOf } from '@/core/parts/registry';
import type { Role } from '@/core/parts/roles';
import { netName } from '../../words/nets';

/** The roles that every drawing places itself. */
const ALWAYS: readonly Role[] = [
  'supply',
  'negative-supply',
  'load-supply',
  'logic-supply',
  'ldr',
  'ldr-series',
  'ldr-parallel',
  'fixed',
  'fixed-trimmer',
  'base',
  'release',
  'driver',
  'load',
  'series',
  'flyback',
];
/** An output stage is one box: that of its last IC. */
const STAGES: readonly Role[] = ['one-shot', 'counted', 'toggle', 'inverter'];

/** A part that stands by itself, and where. */
export interface OtherPlace {
  readonly part: Part;
  readonly x: number;
  readonly y: number;
  /** Of its cell, in whose middle it stands. */
  readonly width: number;
}

/** A part with more pins than two, or a supply, is drawn as a box, one line a pin. */
export const isBox = (part: Part) => pinsOf(part).length > 2 || part.kind === 'supply';

/** Pins that are worth a line each, and how many inputs of unused units are tied to 0 V besides. */
function shownPins(part: Part) {
  const joined = pinsOf(part).filter(({ net }) => net !== null);
  const tied = joined.filter(({ name, net }) => net === GROUND && name.endsWith(' in'));
  return { pins: joined.filter((pin) => !tied.includes(pin)), tiedCount: tied.length };
}

/** What is to be said of a part besides its pins, a line each. */
const noteOf = ({ role }: Part): readonly string[] =>
  role === 'second-coil' ? ['by the first relay’s', 'contact to 2nd plus'] : [];

/** What an output stage is drawn as: its last IC, whichever of its role that is. */
export function stagePart({ parts }: Pick<Assembly, 'parts'>): Part | undefined {
  const [first] = STAGES.flatMap((role) => parts.filter((part) => part.role === role));
  return first;
}

/** The parts that a detector's drawing leaves to stand by themselves. @param places what it draws itself */
export function otherParts(assembly: Assembly, places: readonly Role[]): readonly Part[] {
  const stage = stagePart(assembly);
  return assembly.parts.filter(
    (part) => !ALWAYS.includes(part.role) && !places.includes(part.role) && part !== stage,
  );
}

const CELL = { width: 215, height: 48, line: 15 } as const;
/** Of a letter in a figure's type; a two-pin part with its wires, and what is left free beside it. */
const [LETTER, BETWEEN, GAP] = [8, 68, 14];

/** A box's lines under its name: a pin and its net each. */
export function linesOf(part: Part): readonly string[] {
  const { pins, tiedCount } = shownPins(part);
  return [
    ...pins.map(({ name, net }) => `${name}: ${netName(net ?? '')}`),
    ...(tiedCount > 0 ? [`${tiedCount} unused inputs: 0 V`] : []),
    ...noteOf(part),
  ];
}

const longest = (texts: readonly string[]) => Math.max(...texts.map(({ length }) => length));
export const boxWidth = (part: Part): number => Math.max(168, 16 + LETTER * longest(linesOf(part)));

/** How wide a part is with all that is said of it. */
const widthOf = (part: Part): number =>
  isBox(part)
    ? boxWidth(part)
    : BETWEEN + 2 * LETTER * longest(pinsOf(part).map(({ net }) => netName(net ?? '')));

function heightOf(part: Part): number {
  if (!isBox(part)) return CELL.height;
  return 34 + CELL.line * linesOf(part).length;
}

/** Sets parts in rows under a drawing. @param top where the first row begins */
export function rowsOf(
  parts: readonly Part[],
  width: number,
  top: number,
): { readonly places: readonly OtherPlace[]; readonly bottom: number } {
  const cell = Math.max(CELL.width, ...parts.map((part) => GAP + widthOf(part)));
  const columns = Math.max(1, Math.floor(width / cell));
  const places: OtherPlace[] = [];
  let y = top;
  for (let from = 0; from < parts.length; from += columns) {
    const row = parts.slice(from, from + columns);
    row.forEach((part, index) => places.push({ part, x: 8 + index * cell, y, width: cell }));
    y += Math.max(...row.map(heightOf));
  }
  return { places, bottom: y + 6 };
}
