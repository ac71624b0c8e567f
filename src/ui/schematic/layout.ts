import type { Assembly } from '@/core/stages/description';
import type { PlacedLoad } from '@/core/stages/loadParts';

/** Where the columns and rows of a drawing are, in its own units (about pixels). */
export const layout = { TOP: 18, BOTTOM: 268, MID: 135, DIVIDER: 112, LOAD: 268, RAIL: 58 } as const;
/** How far above and below the midpoint the switch's own pins reach, and the node of the loads lies. */
export const PIN = 20;
export const NODE = 31;
/** A resistor across the LDR moves all that follows the divider so far to the right. */
const ACROSS = 72;
/** How much room what follows a decider takes. */
const AFTER = 118;
/** Where a decider's block ends, and the switch or the loads behind it stand. */
const DETECTOR = { out: 470, switch: 600, load: 520 } as const;

/** Between two steps of a ladder. */
export const LADDER_PITCH = 46;
/** Between the upper rail and the string's first resistor. */
export const LADDER_HEAD = 24;
const LADDER_WIDTH = 700;

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
  /** Where a decider's block ends, and from where the switch is driven: beyond what follows the decider. */
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
}

const widths = { led: 96, relay: 118, motor: 118, buzzer: 100, lamp: 100, module: 104 } as const;

/** Places the loads of a stage side by side, behind its switch or its decider. */
export function layoutOf(assembly: Assembly): SchematicLayout {
  const { loads, switchNodes, loadRail, switching, transistor, parts } = assembly;
  const { TOP, BOTTOM, MID, LOAD, DIVIDER } = layout;
  const isHigh = switchNodes.plus === loadRail;
  const shift = switching && parts.some(({ designator }) => designator === 'R5') ? ACROSS : 0;
  const further = parts.some(({ designator }) => designator === 'IC9') ? AFTER : 0;
  const switchX = switching ? (transistor ? DETECTOR.switch : DETECTOR.load) + shift + further : LOAD;
  const outX = DETECTOR.out + shift;
  const drive = switching ? { x: outX + further, y: MID - NODE } : { x: DIVIDER, y: MID };
  const steps = parts.filter(({ designator }) => /^IC[1-8]$/.test(designator)).length;
  if (switching && !transistor && switching.out !== 'out') {
    const bottom = Math.max(BOTTOM, TOP + LADDER_HEAD + LADDER_PITCH * (steps + 1));
    const width = LADDER_WIDTH + shift;
    return { width, height: bottom + 20, bottom, shift, outX, drive, switchX, isHigh, from: TOP, to: TOP, columns: [], nodeY: TOP }; // prettier-ignore
  }
  let x: number = switchX;
  const columns = loads.map((placed, index): Column => {
    const column = { placed, index, x };
    x += widths[placed.load.kind];
    return column;
  });
  // Below the switch the loads leave room for the node's own tag.
  const [from, to] = isHigh ? [MID + NODE + 15, BOTTOM] : [TOP, MID - NODE];
  const nodeY = isHigh ? MID + NODE : to;
  return {
    width: Math.max(400, x + 6),
    height: 288,
    bottom: BOTTOM,
    shift,
    outX,
    drive,
    switchX,
    isHigh,
    from,
    to,
    columns,
    nodeY,
  };
}

/** A drawing wider than the narrow column stands under the light axis instead. */
export const isWide = (assembly: Assembly) => layoutOf(assembly).width > 500;
