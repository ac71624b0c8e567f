import type { Assembly, PlacedLoad } from '@/core/operate/assembly';
import { partWith } from '@/core/parts/find';
import { loadDrawing } from './loads/registry';
import { otherParts, rowsOf, stagePart, type OtherPlace } from './others/otherPlaces';

/** Where the columns and rows of a drawing are, in its own units (about pixels). */
export const layout = { TOP: 18, BOTTOM: 268, MID: 135, DIVIDER: 112, LOAD: 276, RAIL: 58 } as const;
/** How far above and below the midpoint the switch's own pins reach, and the node of the loads lies. */
export const PIN = 20;
export const NODE = 31;
/** A resistor across the LDR moves all that follows the divider so far to the right. */
const ACROSS = 72;
/** How much room an output stage takes. */
const STAGE = 118;
/** Where a detector's block ends, and the switch or the loads behind it stand. */
const DETECTOR = { out: 470, switch: 600, load: 520 } as const;

/** Between the upper rail and the string's first resistor. */
export const LADDER_HEAD = 24;
/** How far resistors before its inputs move a window's comparators, and all behind them, to the right. */
const BEFORE_INPUTS = 52;
/** Under the lower rail. */
const FOOT = 20;

/** How far right of a load's middle its current stands: beyond what is drawn across it, or its symbol. */
export const currentAt = ({ load, flyback }: PlacedLoad): number =>
  flyback ? 46 : loadDrawing(load).symbol ? 24 : 12;
/** A current as a text, and what a load has at its left: an LED's arrows. */
const [CURRENT_WIDTH, LEFT_OF_LOAD] = [72, 27];

/** From a load's middle to that of the next one, or to the drawing's end. */
const columnWidth = (placed: PlacedLoad, isLast: boolean): number =>
  Math.max(loadDrawing(placed.load).width, isLast ? 0 : currentAt(placed) + CURRENT_WIDTH + LEFT_OF_LOAD);

export interface Column {
  readonly placed: PlacedLoad;
  readonly index: number;
  readonly x: number;
}

export interface SchematicLayout {
  readonly width: number;
  readonly height: number;
  /** Where the lower rail runs. */
  readonly bottom: number;
  /** How far everything behind the divider is moved right. */
  readonly shift: number;
  /** Where a detector's block ends, and from where the switch is driven: beyond an output stage. */
  readonly outX: number;
  readonly drive: { readonly x: number; readonly y: number };
  /** Where the switch stands, or the first load where there is no switch. */
  readonly switchX: number;
  /** The loads hang between 0 V and the switch, not between plus and the switch. */
  readonly isHigh: boolean;
  /** Upper and lower end of the loads. */
  readonly from: number;
  readonly to: number;
  readonly columns: readonly Column[];
  /** The node where loads and switch meet. */
  readonly nodeY: number;
  /** Parts that stand by themselves under the drawing, joined to it by the names of their nets. */
  readonly others: readonly OtherPlace[];
}

/** Whether a detector of several comparators has a feedback at each. */
export const hasEdgeBand = ({ parts }: Pick<Assembly, 'parts'>): boolean =>
  partWith(parts, 'edge-feedback') !== undefined;

/** What stands beyond a ladder's rails: the load's current. */
const BEYOND_RAIL = 134;

/**
 * A ladder's columns, from the divider's riser to the rail that its loads hang on, and how far apart its steps are: each has its
 * comparator, with a feedback or none, and its load, with a transistor before it or none.
 */
export function ladderColumns(assembly: Pick<Assembly, 'parts' | 'drivers'>) {
  const isBanded = hasEdgeBand(assembly);
  const isDriven = assembly.drivers.length > 0;
  const left = isBanded ? 396 : 322;
  const right = left + 48;
  const base = right + (isBanded ? 102 : 94);
  // A resistor that stands between the base's and the transistor has its name at its right.
  const switchX = base + (partWith(assembly.parts, 'release') ? 136 : 92);
  const led = isDriven ? switchX + 62 : right + 106;
  return {
    ...{ riser: 200, string: 226, bus: isBanded ? 298 : 290, left, right },
    ...{ pullUp: right + (isBanded ? 28 : 16), base, release: base + 50, switch: switchX },
    ...{ led, resistor: led + 70, rail: led + 140 },
    pitch: isDriven ? 124 : isBanded ? 84 : 46,
    // Under the last tap there is room for what its step has there.
    under: isDriven ? 0.6 : isBanded ? 0.5 : 0,
  } as const;
}

/** Places all parts of a circuit: the divider, what its detector draws, the loads side by side behind them, the rest underneath. */
export function layoutOf(assembly: Assembly, places: Parameters<typeof otherParts>[1] = []): SchematicLayout {
  const main = assembly.hasOwnOutputs ? ladderLayout(assembly) : switchLayout(assembly);
  const others = otherParts(assembly, places);
  const rows = rowsOf(others, main.width, main.bottom + FOOT + 8);
  return { ...main, others: rows.places, height: rows.places.length > 0 ? rows.bottom : main.bottom + FOOT };
}

type MainLayout = Omit<SchematicLayout, 'others' | 'height'>;

const shiftOf = ({ switching, parts }: Assembly) =>
  switching && partWith(parts, 'ldr-parallel') ? ACROSS : 0;

/** A column of steps, each with its load at its right. */
function ladderLayout(assembly: Assembly): MainLayout {
  const { TOP, BOTTOM, MID } = layout;
  const shift = shiftOf(assembly);
  const { rail, pitch, under } = ladderColumns(assembly);
  const bottom = Math.max(BOTTOM, TOP + LADDER_HEAD + pitch * (assembly.loads.length + 1 + under));
  const outX = DETECTOR.out + shift;
  return {
    // Another output has a longer name than a rail.
    width: rail + BEYOND_RAIL + (assembly.isOneAtATime ? 30 : 0) + shift,
    bottom,
    shift,
    outX,
    drive: { x: outX, y: MID - NODE },
    switchX: DETECTOR.load + shift,
    isHigh: assembly.isHighSide,
    from: TOP,
    to: TOP,
    columns: [],
    nodeY: TOP,
  };
}

function switchLayout(assembly: Assembly): MainLayout {
  const { loads, switching, driver, isHighSide: isHigh } = assembly;
  const { TOP, BOTTOM, MID, LOAD, DIVIDER } = layout;
  const shift = shiftOf(assembly);
  const further = stagePart(assembly) ? STAGE : 0;
  const room = hasEdgeBand(assembly) ? BEFORE_INPUTS : 0;
  const switchX = switching ? (driver ? DETECTOR.switch : DETECTOR.load) + shift + room + further : LOAD;
  const outX = DETECTOR.out + shift + room;
  let x: number = switchX;
  const columns = loads.map((placed, index): Column => {
    const column = { placed, index, x };
    x += columnWidth(placed, index === loads.length - 1);
    return column;
  });
  // Below the switch the loads leave room for the node's own tag.
  const [from, to] = isHigh ? [MID + NODE + 15, BOTTOM] : [TOP, MID - NODE];
  return {
    width: Math.max(400, x + 6),
    bottom: BOTTOM,
    shift,
    outX,
    drive: switching ? { x: outX + further, y: MID - NODE } : { x: DIVIDER, y: MID },
    switchX,
    isHigh,
    from,
    to,
    columns,
    nodeY: isHigh ? MID + NODE : to,
  };
}

/** A drawing wider than the narrow column stands under the light axis instead. */
export const isWide = (assembly: Assembly) => layoutOf(assembly).width > 450;
