import { shortest } from '@/core/quantity/notation';
import { formatQuantity } from '@/core/quantity/format';
import { partIn } from '@/core/parts/find';
import { ChipName, DetectorFrame, OUT_Y, PointTag, unitLetter } from '../DetectorFrame';
import type { DrawingProps } from '../drawing';
import { layout } from '../layout';
import { PartLabel } from '../PartLabel';
import { PullUp } from '../PullUp';
import { resistorIn, Upright } from '../resistors';
import { CapacitorSymbol, ComparatorSymbol, Dot, stroke, Wire } from '../symbols';

const { BOTTOM, MID, DIVIDER } = layout;
const UPPER = OUT_Y - 27;
const at = { capacitor: 205, bias: 240, gain: 262, gainEnd: 318, left: 350, right: 410 } as const;

/** A change detector: the midpoint through a capacitor into a resistor, a gain and a comparator with its trigger. */
export function ChangeSchematic(props: DrawingProps) {
  const { design, probe, place } = props;
  const { assembly } = design;
  const x = (column: keyof typeof at) => at[column] + place.shift;
  const bias = resistorIn(assembly, 'bias');
  const capacitor = partIn(assembly.parts, 'capacitor', 'coupling');
  const amplifier = partIn(assembly.parts, 'comparator', 'amplifier');
  const block = partIn(assembly.parts, 'comparator', 'detector');
  const [upper, lower] = [resistorIn(assembly, 'gain-upper'), resistorIn(assembly, 'gain-lower')];
  const gain = upper && lower ? 1 + upper.ohms / lower.ohms : 1;
  return (
    <DetectorFrame {...props} outFrom={x('right')}>
      <Wire
        points={[
          [DIVIDER, MID],
          [x('gain') - 6, MID],
          [x('gain') - 6, UPPER],
          [x('left'), UPPER],
        ]}
      />
      <CapacitorSymbol x={x('capacitor')} y={MID} lying />
      {capacitor && (
        <PartLabel
          x={x('capacitor')}
          y={MID - 16}
          anchor="middle"
          flat
          above={0}
          name={capacitor.designator}
          value={formatQuantity(capacitor.farads, 'F', { trim: true })}
        />
      )}
      <Wire
        points={[
          [x('bias'), MID],
          [x('bias'), BOTTOM],
        ]}
      />
      <Dot x={x('bias')} y={MID} />
      <Dot x={x('bias')} y={BOTTOM} />
      {bias && <Upright part={bias} x={x('bias')} y={210} />}
      <path
        d={`M${x('gain')} ${UPPER - 20} v40 l${x('gainEnd') - x('gain')} -20 z`}
        {...stroke}
        fill="var(--card)"
        strokeLinejoin="round"
      />
      <text x={x('gain') + 5} y={UPPER + 5} className="value" fill="var(--ink)">
        {`×${shortest(gain, 3)}`}
      </text>
      <Wire
        points={[
          [x('left') - 20, OUT_Y + 27],
          [x('left'), OUT_Y + 27],
        ]}
      />
      <PointTag probe={probe} id="R" x={x('left') - 20} y={OUT_Y + 44} />
      <path d={`M${x('left') - 20} ${OUT_Y + 27} v17`} {...stroke} />
      <ComparatorSymbol
        x={(x('left') + x('right')) / 2}
        y={OUT_Y}
        upper={block?.units[0]?.plus === 'ref' ? '−' : '+'}
      />
      {block && (
        <ChipName
          x={(x('left') + x('right')) / 2}
          y={OUT_Y + 55}
          name={block.designator}
          unit={unitLetter(block, 0)}
        />
      )}
      {amplifier && (
        <ChipName
          x={x('gain') + 16}
          y={UPPER - 26}
          name={amplifier.designator}
          unit={unitLetter(amplifier, 0)}
        />
      )}
      <PullUp assembly={assembly} x={x('right') + 22} />
    </DetectorFrame>
  );
}
