import type { Assembly } from '@/core/operate/assembly';
import { ownSupplyOf } from '../ownSupply';
import { amps as ampsText, partOhms, railText } from '../../words/figures';
import { ladderColumns } from '../layout';
import { loadDrawing } from '../loads/registry';
import { PartLabel } from '../PartLabel';
import { resistorIn } from '../resistors';
import { LedSymbol, ResistorSymbol, stroke, Wire } from '../symbols';

export interface StepLoad {
  readonly assembly: Assembly;
  /** Which step, from 0. */
  readonly index: number;
  /** Through the load, in A, and as a share of its full current. */
  readonly amps: number;
  readonly share: number;
  /** How far everything behind the divider is moved right. */
  readonly shift: number;
}

interface LadderLoadProps extends StepLoad {
  /** Where its wire begins, at the left, and its row. */
  readonly from: number;
  readonly y: number;
  /** What it hangs on at the right, and whether that is another step’s output, which has a longer name than a rail. */
  readonly end: string;
  readonly isOutput?: boolean;
  /** Current comes from the left, not from the rail. */
  readonly isHighSide?: boolean;
}

/** A step's load on its side, from what switches it to the rail. */
export function LadderLoad(props: LadderLoadProps) {
  const { assembly, index, amps, share, shift, from, y, end, isOutput = false, isHighSide = false } = props;
  const columns = ladderColumns(assembly);
  const x = (column: 'led' | 'resistor' | 'rail') => columns[column] + shift;
  const placed = assembly.loads[index];
  if (!placed) return null;
  const { symbol } = loadDrawing(placed.load);
  const series = resistorIn(assembly, 'series', index);
  const supply = ownSupplyOf(assembly, index);
  return (
    <>
      <Wire
        points={[
          [from, y],
          [x('rail'), y],
        ]}
      />
      <g transform={`rotate(${isHighSide ? -90 : 90} ${x('led')} ${y})`}>
        {symbol === null ? (
          <LedSymbol x={x('led')} y={y} share={share} />
        ) : (
          <rect x={x('led') - 9} y={y - 16} width={18} height={32} {...stroke} fill="var(--card)" />
        )}
      </g>
      <PartLabel x={x('led') - 31} y={y - 7} anchor="middle" name={placed.designator} />
      {placed.flyback && <PartLabel x={x('led') + 28} y={y - 7} anchor="middle" name={placed.flyback} />}
      {series && (
        <>
          <ResistorSymbol x={x('resistor')} y={y} lying />
          <PartLabel
            x={x('resistor')}
            y={y - 11}
            anchor="middle"
            flat
            name={series.designator}
            value={partOhms(series.ohms * (series.count ?? 1))}
          />
        </>
      )}
      <path d={`M${x('rail')} ${y - 8} v16`} {...stroke} />
      {supply ? (
        <PartLabel
          x={x('rail') + 6}
          y={y}
          anchor="start"
          name={supply.designator}
          value={railText(supply.volts)}
        />
      ) : (
        <text x={x('rail') + 6} y={y + 5} className="value" fill="var(--ink)">
          {end}
        </text>
      )}
      <text x={x('rail') + (isOutput ? 86 : 66)} y={y + 5} className="value" fill="var(--amber-ink)">
        {ampsText(amps)}
      </text>
    </>
  );
}
