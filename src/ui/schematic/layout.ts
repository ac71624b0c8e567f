import type { StageDescription } from '@/core/stages/description';
import type { PlacedLoad } from '@/core/stages/loadParts';

/** Where the columns and rows of a drawing are, in its own units (about pixels). */
export const layout = { TOP: 18, BOTTOM: 268, MID: 135, DIVIDER: 112, LOAD: 268, RAIL: 58 } as const;
/** How far above and below the midpoint the switch's own pins reach, and the node of the loads lies. */
export const PIN = 20;
export const NODE = 31;

export interface Column {
  readonly placed: PlacedLoad;
  readonly index: number;
  readonly x: number;
}

export interface SchematicLayout {
  readonly width: number;
  readonly height: number;
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

/** Places the loads of a stage side by side. */
export function layoutOf({ loads, switchNodes, loadRail }: StageDescription): SchematicLayout {
  const { TOP, BOTTOM, MID, LOAD } = layout;
  const isHigh = switchNodes.plus === loadRail;
  let x: number = LOAD;
  const columns = loads.map((placed, index): Column => {
    const column = { placed, index, x };
    x += widths[placed.load.kind];
    return column;
  });
  // Below the switch the loads leave room for the node's own tag.
  const [from, to] = isHigh ? [MID + NODE + 15, BOTTOM] : [TOP, MID - NODE];
  const nodeY = isHigh ? MID + NODE : to;
  return { width: Math.max(400, x + 6), height: 288, isHigh, from, to, columns, nodeY };
}
