import type { Assembly } from '@/core/operate/assembly';
import { partIn } from '@/core/parts/find';
import { partOhms, railText } from '../../words/figures';
import { ChipName, DetectorFrame, OUT_Y, PointTag, unitLetter } from '../DetectorFrame';
import type { DrawingProps } from '../drawing';
import { layout } from '../layout';
import { PartLabel } from '../PartLabel';
import { PullUp } from '../PullUp';
import { Lying, resistorIn, Upright } from '../resistors';
import { ComparatorSymbol, Dot, ResistorSymbol, Wire } from '../symbols';

const { BOTTOM, MID, DIVIDER } = layout;
/** Columns and rows behind the divider, before a resistor across the LDR moves them. */
const at = {
  sensor: 190,
  reference: 236,
  riser: 300,
  left: 318,
  right: 378,
  feedback: 402,
  pullUp: 428,
} as const;
const [UPPER, LOWER, NODE_Y] = [OUT_Y - 27, OUT_Y + 27, 170];
const [OVER, UNDER] = [46, 208];

/** A comparator between divider and switch: the midpoint at its upper input, the reference at its lower one. */
export function ComparatorSchematic(props: DrawingProps) {
  const { design, probe, place } = props;
  const { assembly } = design;
  const { shift } = place;
  const block = partIn(assembly.parts, 'comparator', 'detector');
  const [unit] = block?.units ?? [];
  if (!block || !unit) return null;
  const negative = partIn(assembly.parts, 'supply', 'negative-supply');
  const supply = assembly.rails[0]?.volts ?? 0;
  const isPlus = unit.plus !== 'ref';
  const [series, feedback] = [resistorIn(assembly, 'sensor'), resistorIn(assembly, 'feedback')];
  const x = (column: keyof typeof at) => at[column] + shift;
  return (
    <DetectorFrame {...props} outFrom={x('right')}>
      <Wire
        points={[
          [DIVIDER, MID],
          [x('sensor'), MID],
          [x('sensor'), UPPER],
          [x('left'), UPPER],
        ]}
      />
      {series && <Lying part={series} x={x('sensor') + 42} y={UPPER} />}
      <ReferenceColumn assembly={assembly} x={x('reference')} supply={supply} />
      <Wire
        points={[
          [x('reference'), NODE_Y],
          [x('riser'), NODE_Y],
          [x('riser'), LOWER],
          [x('left'), LOWER],
        ]}
      />
      {feedback && (
        <>
          <Wire
            points={[
              [x('feedback'), OUT_Y],
              [x('feedback'), isPlus ? OVER : UNDER],
              [x('riser'), isPlus ? OVER : UNDER],
              [x('riser'), isPlus ? UPPER : NODE_Y],
            ]}
          />
          <Dot x={x('riser')} y={isPlus ? UPPER : NODE_Y} />
          <Dot x={x('feedback')} y={OUT_Y} />
          <Lying
            part={feedback}
            x={(x('riser') + x('feedback')) / 2}
            y={isPlus ? OVER : UNDER}
            under={!isPlus}
          />
        </>
      )}
      <PullUp assembly={assembly} x={x('pullUp')} />
      <ComparatorSymbol x={(x('left') + x('right')) / 2} y={OUT_Y} upper={isPlus ? '+' : '−'} />
      <ChipName
        x={(x('left') + x('right')) / 2}
        y={OUT_Y + 55}
        name={block.designator}
        unit={unitLetter(block, 0)}
      />
      {negative && (
        <text x={x('left')} y={OUT_Y + 70} className="value" fill="var(--ink)">
          {`${railText(supply)} / ${railText(negative.volts)}`}
        </text>
      )}
      <PointTag probe={probe} id="R" x={x('reference') - 10} y={NODE_Y} />
    </DetectorFrame>
  );
}

interface ReferenceColumnProps {
  readonly assembly: Assembly;
  readonly x: number;
  readonly supply: number;
}

/** Two resistors between a flag of the supply and 0 V, with a trimmer between them where there is one. */
function ReferenceColumn({ assembly, x, supply }: ReferenceColumnProps) {
  const top = resistorIn(assembly, 'reference-upper');
  const bottom = resistorIn(assembly, 'reference-lower');
  const track = partIn(assembly.parts, 'trimmer', 'reference-trimmer');
  return (
    <>
      {top && (
        <>
          <path d={`M${x - 8} 99 h16`} stroke="var(--ink)" strokeWidth={1.6} />
          <text x={x + 12} y={103} className="value" fill="var(--ink)">
            {railText(supply)}
          </text>
          <Wire
            points={[
              [x, 99],
              [x, NODE_Y],
            ]}
          />
          <Upright part={top} x={x} y={127} />
        </>
      )}
      <Wire
        points={[
          [x, NODE_Y],
          [x, BOTTOM],
        ]}
      />
      <Dot x={x} y={BOTTOM} />
      {bottom && <Upright part={bottom} x={x} y={228} />}
      {track ? (
        <>
          <ResistorSymbol x={x} y={NODE_Y} />
          <path
            d={`M${x + 20} ${NODE_Y} H${x + 8} m5 -4 l-5 4 l5 4`}
            stroke="var(--ink)"
            strokeWidth={1.6}
            fill="none"
          />
          <PartLabel
            x={x + 14}
            y={NODE_Y + 18}
            anchor="start"
            reach={20}
            name={track.designator}
            value={partOhms(track.trackOhms)}
          />
        </>
      ) : (
        <Dot x={x} y={NODE_Y} />
      )}
    </>
  );
}
