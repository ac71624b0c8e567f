import { drivers } from '@/core/drivers/registry';
import type { Assembly } from '@/core/operate/assembly';
import { railText } from '../../words/figures';
import { transistorNames } from '../../words/names';
import { ladderColumns, PIN } from '../layout';
import { PartLabel, TestPointLetter } from '../PartLabel';
import { Lying, resistorIn, Upright } from '../resistors';
import { SwitchSymbol } from '../SwitchSymbol';
import { Dot, stroke, Wire, type At } from '../symbols';
import { LadderLoad, type StepLoad } from './LadderLoad';

interface LadderDriverProps extends StepLoad {
  readonly driver: Assembly['drivers'][number];
  /** The row of the comparator's output. */
  readonly y: number;
}

/** From a transistor's pin to its load's row or to the rail; and how far off the resistors that stand have their rail. */
const [LEG, STANDING] = [30, 52];

/** A step's transistor, with what leads to its base or gate, and its load. */
export function LadderDriver({ driver, y, ...load }: LadderDriverProps) {
  const { assembly, index, shift } = load;
  const { driverKind: kind, isHighSide, rails } = assembly;
  const columns = ladderColumns(assembly);
  const x = (column: keyof typeof columns) => columns[column] + shift;
  const base = resistorIn(assembly, 'base', index);
  const release = resistorIn(assembly, 'release', index);
  const pullUp = resistorIn(assembly, 'pull-up', index);
  const [sensor, own] = rails;
  const hot = railText((own ?? sensor)?.volts ?? 0);
  // Its load's end is the lower one where it stands between plus and the load.
  const loadWay = isHighSide ? 1 : -1;
  const [loadY, farY] = [y + loadWay * LEG, y - loadWay * LEG];
  const far = isHighSide ? hot : '0 V';
  // What turns it off stands at its emitter or source: the rail of its polarity, or the load's own end.
  const offWay = drivers[kind].polarity === 'p' ? -1 : 1;
  const isAtLoad = release !== undefined && offWay === loadWay;
  const points: Readonly<Partial<Record<string, At>>> = {
    D: { x: x('base') - 33, y },
    B: { x: x('base') + 32, y },
    C: { x: x('switch') + 14, y: loadY },
  };
  const offY = isAtLoad ? loadY : y + offWay * STANDING;
  return (
    <>
      <Wire
        points={[
          [x('right'), y],
          [x('switch') - 30, y],
        ]}
      />
      {pullUp && (
        <Standing x={x('pullUp')} y={y} to={y - STANDING} end={railText(sensor?.volts ?? 0)}>
          <Upright part={pullUp} x={x('pullUp')} y={y - 27} />
        </Standing>
      )}
      {base && <Lying part={base} x={x('base')} y={y} under />}
      {release && (
        <Standing x={x('release')} y={y} to={offY} {...(isAtLoad ? {} : { end: offWay === 1 ? '0 V' : hot })}>
          <Upright part={release} x={x('release')} y={y + offWay * 27} />
        </Standing>
      )}
      {isAtLoad && (
        <Wire
          points={[
            [x('release'), offY],
            [x('switch'), offY],
          ]}
        />
      )}
      <SwitchSymbol kind={kind} x={x('switch')} y={y} />
      <PartLabel
        x={x('switch') + 10}
        y={isHighSide ? y - 3 : y + 9}
        anchor="start"
        reach={40}
        flat
        name={driver.designator}
        value={transistorNames[kind]}
      />
      <Wire
        points={[
          [x('switch'), y - loadWay * PIN],
          [x('switch'), farY],
        ]}
      />
      <Flag x={x('switch')} y={farY} isUp={isHighSide} text={far} />
      <Wire
        points={[
          [x('switch'), y + loadWay * PIN],
          [x('switch'), loadY],
        ]}
      />
      <LadderLoad
        {...load}
        from={x('switch')}
        y={loadY}
        end={isHighSide ? '0 V' : hot}
        isHighSide={isHighSide}
      />
      {assembly.testPoints.map(({ id, net }) => {
        const at = points[id];
        return index === 0 && at && <TestPointLetter key={net} id={id} {...at} />;
      })}
    </>
  );
}

interface StandingProps {
  readonly x: number;
  readonly y: number;
  readonly to: number;
  /** The rail at its other end; none where a wire goes on. */
  readonly end?: string;
  readonly children: React.ReactNode;
}

/** A resistor that stands between a row and a rail above or below it. */
function Standing({ x, y, to, end, children }: StandingProps) {
  return (
    <>
      <Wire
        points={[
          [x, y],
          [x, to],
        ]}
      />
      <Dot x={x} y={y} />
      {children}
      {end !== undefined && <Flag x={x} y={to} isUp={to < y} text={end} />}
    </>
  );
}

/** The end of a wire at a rail that is not drawn through. */
function Flag({ x, y, isUp, text }: { x: number; y: number; isUp: boolean; text: string }) {
  return (
    <>
      <path d={`M${x - 8} ${y} h16`} {...stroke} />
      <text x={x} y={y + (isUp ? -5 : 15)} textAnchor="middle" className="value" fill="var(--ink)">
        {text}
      </text>
    </>
  );
}
