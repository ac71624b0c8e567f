import { partIn } from '@/core/parts/find';
import { ChipName, DetectorFrame, OUT_Y, PointTag, unitLetter } from '../DetectorFrame';
import type { DrawingProps } from '../drawing';
import { EdgeFeedback } from '../EdgeFeedback';
import { hasEdgeBand, layout } from '../layout';
import { PullUp } from '../PullUp';
import { resistorIn, Upright } from '../resistors';
import { ComparatorSymbol, Dot, Wire } from '../symbols';

const { TOP, BOTTOM, MID, DIVIDER } = layout;
const [STRING, BUS] = [266, 336];
/** Columns and rows as they are, and where a feedback leads about each comparator. */
const plain = {
  ...{ left: 350, right: 398, join: 420, pullUp: 440 },
  ...{ high: 78, low: 192, top: 39, middle: 98, bottom: 239 },
} as const;
const banded = {
  ...{ left: 402, right: 450, join: 472, pullUp: 492 },
  ...{ high: 90, low: 206, top: 37, middle: 104, bottom: 246 },
} as const;
/** How far a comparator's inputs lie above and below its middle, its feedback over that, and the node before its plus input. */
const REACH = 18;
const OVER = 26;
const NODE = 14;

/** Two comparators on one string: the midpoint between their inner inputs, their outputs joined. */
export function WindowSchematic(props: DrawingProps) {
  const { design, probe, place } = props;
  const { assembly } = design;
  const { shift } = place;
  const at = hasEdgeBand(assembly) ? banded : plain;
  const [string, bus, left, join] = [STRING + shift, BUS + shift, at.left + shift, at.join + shift];
  const [top, middle, bottom] = (['reference-upper', 'reference-middle', 'reference-lower'] as const).map(
    (role) => resistorIn(assembly, role),
  );
  const block = partIn(assembly.parts, 'comparator', 'detector');
  const rows = [at.high, at.low] as const;
  const inner = [at.high + REACH, at.low - REACH] as const;
  return (
    <DetectorFrame {...props} outFrom={join}>
      <Wire
        points={[
          [string, TOP],
          [string, BOTTOM],
        ]}
      />
      <Dot x={string} y={TOP} />
      <Dot x={string} y={BOTTOM} />
      {top && <Upright part={top} x={string} y={at.top} />}
      {middle && <Upright part={middle} x={string} y={at.middle} />}
      {bottom && <Upright part={bottom} x={string} y={at.bottom} />}
      {/* The midpoint crosses the string without touching it. */}
      <path
        d={`M${DIVIDER} ${MID} H${string - 6} a6 6 0 0 1 12 0 H${bus} M${left} ${inner[0]} H${bus} V${inner[1]} H${left}`}
        stroke="var(--ink)"
        strokeWidth={1.6}
        fill="none"
      />
      <Dot x={bus} y={MID} />
      {[at.high - REACH, at.low + REACH].map((y) => (
        <g key={y}>
          <Wire
            points={[
              [string, y],
              [left, y],
            ]}
          />
          <Dot x={string} y={y} />
        </g>
      ))}
      <Wire
        points={[
          [at.right + shift, at.high],
          [join, at.high],
          [join, at.low],
          [at.right + shift, at.low],
        ]}
      />
      <Dot x={join} y={OUT_Y} />
      <PullUp assembly={assembly} x={at.pullUp + shift} />
      {rows.map((y, index) => (
        <g key={y}>
          <EdgeFeedback
            assembly={assembly}
            index={index}
            x={{ from: bus, node: left - NODE, to: join }}
            y={{ input: y - REACH, over: y - REACH - OVER, out: y }}
            isNamedUnder={index === 1}
          />
          <ComparatorSymbol x={(left + at.right + shift) / 2} y={y} upper="+" reach={REACH} />
          {block && (
            <ChipName
              x={(left + at.right + shift) / 2}
              y={y + 42}
              name={block.designator}
              unit={unitLetter(block, index)}
            />
          )}
        </g>
      ))}
      <PointTag probe={probe} id="H" x={string - 8} y={at.high - REACH} />
      <PointTag probe={probe} id="R" x={string - 8} y={at.low + REACH} />
    </DetectorFrame>
  );
}
