import { partIn } from '@/core/parts/find';
import { ChipName, DetectorFrame, OUT_Y, PointTag, unitLetter } from '../DetectorFrame';
import type { DrawingProps } from '../drawing';
import { layout } from '../layout';
import { PullUp } from '../PullUp';
import { resistorIn, Upright } from '../resistors';
import { ComparatorSymbol, Dot, Wire } from '../symbols';

const { TOP, BOTTOM, MID, DIVIDER } = layout;
const at = { string: 266, bus: 330, left: 350, right: 398, join: 420, pullUp: 440 } as const;
/** Middles of the two comparators, and how far their inputs lie above and below. */
const [HIGH, LOW, REACH] = [78, 192, 18];

/** Two comparators on one string: the midpoint between their inner inputs, their outputs joined. */
export function WindowSchematic(props: DrawingProps) {
  const { design, probe, place } = props;
  const { assembly } = design;
  const x = (column: keyof typeof at) => at[column] + place.shift;
  const [top, middle, bottom] = (['reference-upper', 'reference-middle', 'reference-lower'] as const).map(
    (role) => resistorIn(assembly, role),
  );
  const block = partIn(assembly.parts, 'comparator', 'detector');
  const inner = [HIGH + REACH, LOW - REACH] as const;
  return (
    <DetectorFrame {...props} outFrom={x('join')}>
      <Wire
        points={[
          [x('string'), TOP],
          [x('string'), BOTTOM],
        ]}
      />
      <Dot x={x('string')} y={TOP} />
      <Dot x={x('string')} y={BOTTOM} />
      {top && <Upright part={top} x={x('string')} y={39} />}
      {middle && <Upright part={middle} x={x('string')} y={98} />}
      {bottom && <Upright part={bottom} x={x('string')} y={239} />}
      {/* The midpoint crosses the string without touching it. */}
      <path
        d={`M${DIVIDER} ${MID} H${x('string') - 6} a6 6 0 0 1 12 0 H${x('bus')} M${x('left')} ${inner[0]} H${x('bus')} V${inner[1]} H${x('left')}`}
        stroke="var(--ink)"
        strokeWidth={1.6}
        fill="none"
      />
      <Dot x={x('bus')} y={MID} />
      {[HIGH - REACH, LOW + REACH].map((y) => (
        <g key={y}>
          <Wire
            points={[
              [x('string'), y],
              [x('left'), y],
            ]}
          />
          <Dot x={x('string')} y={y} />
        </g>
      ))}
      <Wire
        points={[
          [x('right'), HIGH],
          [x('join'), HIGH],
          [x('join'), LOW],
          [x('right'), LOW],
        ]}
      />
      <Dot x={x('join')} y={OUT_Y} />
      <PullUp assembly={assembly} x={x('pullUp')} />
      {[HIGH, LOW].map((y, index) => (
        <g key={y}>
          <ComparatorSymbol x={(x('left') + x('right')) / 2} y={y} upper="+" reach={REACH} />
          {block && (
            <ChipName
              x={(x('left') + x('right')) / 2}
              y={y + 42}
              name={block.designator}
              unit={unitLetter(block, index)}
            />
          )}
        </g>
      ))}
      <PointTag probe={probe} id="H" x={x('string') - 8} y={HIGH - REACH} />
      <PointTag probe={probe} id="R" x={x('string') - 8} y={LOW + REACH} />
    </DetectorFrame>
  );
}
