import type { Design } from '@/core/design';
import type { Assembly } from '@/core/operate/assembly';
import { partWith } from '@/core/parts/find';
import type { ComparatorUnit } from '@/core/parts/kinds/comparator';
import { pinsOf } from '@/core/parts/registry';
import { railText } from '../../words/figures';
import { EdgeFeedback } from '../EdgeFeedback';
import { ladderColumns } from '../layout';
import { PartLabel, TestPointLetter } from '../PartLabel';
import { resistorIn } from '../resistors';
import { ComparatorSymbol, Dot, Wire } from '../symbols';
import { LadderDriver } from './LadderDriver';
import { LadderLoad } from './LadderLoad';

/** From a comparator's middle to either of its inputs, and from one to the other. */
const REACH = 9;
export const INPUTS_APART = 2 * REACH;
/** How far a feedback leads round a comparator beyond its plus input, and the node before that input. */
const [AROUND, NODE, BEHIND] = [24, 14, 12];

/** A comparator as it is drawn: which unit of which package. */
interface DrawnUnit {
  readonly unit: ComparatorUnit;
  readonly designator: string;
  readonly letter: string;
}

interface LadderStepProps {
  readonly design: Design;
  readonly unit: DrawnUnit;
  readonly others: readonly DrawnUnit[];
  /** Which step, from 0, and the tap that it is held against. */
  readonly index: number;
  readonly tap: string;
  /** Through its load, in A. */
  readonly amps: number;
  readonly shift: number;
  /** The row of its tap. */
  readonly y: number;
}

/** One step: its comparator between tap and midpoint, and what that drives. */
export function LadderStep({ design, unit: own, others, index, tap, amps, shift, y }: LadderStepProps) {
  const { assembly } = design;
  const columns = ladderColumns(assembly);
  const x = (column: keyof typeof columns) => columns[column] + shift;
  const out = y + REACH;
  const isTapPlus = own.unit.minus !== tap;
  const [input, round] = isTapPlus ? [y, -AROUND] : [y + INPUTS_APART, AROUND];
  const full = design.loads[index]?.onAmps ?? 1;
  const load = { assembly, index, amps, share: full > 0 ? amps / full : 0 };
  const driver = assembly.drivers[index];
  const other = otherOutput(assembly, index, others);
  return (
    <>
      <Wire
        points={[
          [x('string'), y],
          [x('left'), y],
        ]}
      />
      <Dot x={x('string')} y={y} />
      <Wire
        points={[
          [x('bus'), y + INPUTS_APART],
          [x('left'), y + INPUTS_APART],
        ]}
      />
      <EdgeFeedback
        assembly={assembly}
        index={index}
        x={{ from: x('bus'), node: x('left') - NODE, to: x('right') + BEHIND }}
        y={{ input, over: input + round, out }}
      />
      <ComparatorSymbol
        x={(x('left') + x('right')) / 2}
        y={out}
        upper={isTapPlus ? '+' : '−'}
        reach={REACH}
      />
      <PartLabel
        x={x('right') + 4}
        y={out + (driver ? 17 : -12)}
        anchor="start"
        name={own.designator}
        unit={own.letter}
      />
      {driver ? (
        <LadderDriver {...load} driver={driver} shift={shift} y={out} />
      ) : (
        <LadderLoad
          {...load}
          from={x('right')}
          shift={shift}
          y={out}
          end={other ?? loadRailText(assembly)}
          isOutput={other !== null}
        />
      )}
      {!driver && index === 0 && <TestPointLetter x={x('right') + 22} y={out} id="C" />}
    </>
  );
}

/** The rail that a ladder's loads hang on. */
function loadRailText({ rails: [sensor, own] }: Assembly): string {
  return railText((own ?? sensor)?.volts ?? 0);
}

/** The output of another step that a load hangs on at its other end; `null` for the rail. */
function otherOutput(assembly: Assembly, index: number, units: readonly DrawnUnit[]): string | null {
  const part = resistorIn(assembly, 'series', index) ?? partWith(assembly.parts, 'load', index);
  const nets = part ? pinsOf(part).map(({ net }) => net) : [];
  const own = units[index]?.unit.out;
  const other = units.find(({ unit: { out } }) => out !== own && nets.includes(out));
  return other ? `${other.designator}${other.letter} out` : null;
}
