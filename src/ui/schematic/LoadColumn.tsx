import type { Assembly } from '@/core/operate/assembly';
import { ownSupplyOf } from './ownSupply';
import { amps, partOhms, railText } from '../words/figures';
import { currentAt, type Column, type SchematicLayout } from './layout';
import { loadDrawing } from './loads/registry';
import { PartLabel } from './PartLabel';
import { resistorIn } from './resistors';
import { FlybackSymbol, LedSymbol, ResistorSymbol, stroke, Wire } from './symbols';

interface LoadColumnProps {
  readonly column: Column;
  readonly place: SchematicLayout;
  readonly assembly: Assembly;
  /** Through this load, in A, and as a share of its full current. */
  readonly loadAmps: number;
  readonly share: number;
}

/** One load between plus and the switch, or between the switch and 0 V, with its current. */
export function LoadColumn({ column, place, assembly, loadAmps, share }: LoadColumnProps) {
  const { x, placed } = column;
  const { from, to } = place;
  const { symbol, isOnOwnSupply } = loadDrawing(placed.load);
  const middle = (from + to) / 2;
  // A pin's other end is its own supply, not the rail.
  const far = isOnOwnSupply ? middle : place.isHigh ? to : from;
  return (
    <>
      <Wire
        points={[
          [x, far],
          [x, place.nodeY],
        ]}
      />
      {symbol ? (
        <OtherLoad column={column} place={place} share={share} />
      ) : (
        <Led column={column} place={place} assembly={assembly} share={share} />
      )}
      {isOnOwnSupply && <OwnSupply assembly={assembly} index={column.index} x={x} y={middle} />}
      <text x={x + currentAt(placed)} y={from + (symbol ? 68 : 49)} className="value" fill="var(--amber-ink)">
        {`↓ ${amps(loadAmps)}`}
      </text>
    </>
  );
}

type LoadProps = Pick<LoadColumnProps, 'column' | 'place' | 'share'>;

function Led({ column, place: { from }, assembly, share }: LoadProps & Pick<LoadColumnProps, 'assembly'>) {
  const { x, placed, index } = column;
  const series = resistorIn(assembly, 'series', index);
  const text = loadDrawing(placed.load).text(placed.load);
  return (
    <>
      {series && (
        <>
          <ResistorSymbol x={x} y={from + 22} />
          <PartLabel
            reach={18}
            x={x + 12}
            y={from + 17}
            anchor="start"
            name={series.designator}
            value={partOhms(series.ohms * (series.count ?? 1))}
          />
        </>
      )}
      <LedSymbol x={x} y={from + 62} share={share} />
      <PartLabel
        reach={30}
        x={x + 22}
        y={from + 67}
        anchor="start"
        name={placed.designator}
        flat
        {...(text === undefined ? {} : { value: text })}
      />
    </>
  );
}

function OtherLoad({ column: { x, placed }, place: { from, to }, share }: LoadProps) {
  const { load, designator, flyback } = placed;
  const { symbol, text } = loadDrawing(load);
  const value = text(load);
  return (
    <>
      {symbol?.({ x, y: (from + to) / 2, share }, load)}
      {flyback && <FlybackSymbol x={x} from={from} to={to} />}
      {flyback && <PartLabel x={x + 46} y={from + 20} anchor="start" name={flyback} />}
      <PartLabel
        reach={flyback ? 62 : 42}
        x={x + (flyback ? 46 : 24)}
        y={from + (flyback ? 38 : 36)}
        anchor="start"
        name={designator}
        {...(value === undefined ? {} : { value })}
      />
    </>
  );
}

/** The supply of the device whose pin it is, as a flag above it. */
function OwnSupply({ assembly, index, x, y }: { assembly: Assembly; index: number; x: number; y: number }) {
  const supply = ownSupplyOf(assembly, index);
  if (!supply) return null;
  return (
    <>
      <path d={`M${x} ${y - 17} v-12 M${x - 8} ${y - 29} h16`} {...stroke} />
      <PartLabel
        x={x + 12}
        y={y - 30}
        anchor="start"
        flat
        name={supply.designator}
        value={railText(supply.volts)}
      />
    </>
  );
}
