import type { Assembly } from '@/core/operate/assembly';
import { partsOfKind } from '@/core/parts/find';
import { railText, volts } from '../../words/figures';
import { unitLetter } from '../DetectorFrame';
import { DividerParts } from '../DividerParts';
import type { DrawingProps } from '../drawing';
import { LADDER_HEAD, ladderColumns, layout } from '../layout';
import { PartLabel, TestPointTag } from '../PartLabel';
import { resistorIn, Upright } from '../resistors';
import { Dot, stroke, Wire } from '../symbols';
import { INPUTS_APART, LadderStep } from './LadderStep';

const { TOP, MID, DIVIDER, RAIL } = layout;
/** Over the string's upper end the midpoint passes to the comparators; below it the string begins. */
const [OVER, STRING] = [TOP + 16, TOP + LADDER_HEAD];

/** Comparators in a column on one string, each with its own load at its right, or a transistor and that. */
export function LadderSchematic({ design, probe, place }: DrawingProps) {
  const { assembly } = design;
  const { shift, bottom } = place;
  const columns = ladderColumns(assembly);
  const { pitch } = columns;
  const string = columns.string + shift;
  const units = unitsOf(assembly);
  const steps = units.length;
  // From the top: a row's reference is the lower end of the string's resistor above it.
  const rows = Array.from({ length: steps }, (_, index) => {
    const node = resistorIn(assembly, 'string', index)?.b ?? '';
    const at = units.findIndex(
      ({ unit: { plus, minus } }, own) =>
        plus === node || minus === node || resistorIn(assembly, 'edge-input', own)?.a === node,
    );
    return { node, at, y: STRING + pitch * (index + 1) };
  });
  const last = rows[rows.length - 1]?.y ?? MID;
  const [sensor, own] = assembly.rails;
  return (
    <>
      <DividerParts assembly={assembly} probe={probe} bottom={bottom} />
      <Wire
        points={[
          [RAIL, TOP],
          [string, TOP],
        ]}
      />
      <PartLabel
        x={RAIL - 6}
        y={TOP + 5}
        anchor="end"
        name={sensor?.designator ?? ''}
        value={railText(sensor?.volts ?? 0)}
      />
      {own && (
        <PartLabel
          x={columns.rail + shift + 6}
          y={TOP + 5}
          anchor="start"
          name={own.designator}
          value={railText(own.volts)}
        />
      )}
      <Wire
        points={[
          [RAIL, bottom],
          [string, bottom],
          [string, TOP],
        ]}
      />
      <text x={RAIL - 6} y={bottom + 5} textAnchor="end" className="value" fill="var(--ink)">
        0 V
      </text>
      <path
        d={`M${DIVIDER} ${MID} H${columns.riser + shift} V${OVER} H${string - 6} a6 6 0 0 1 12 0 H${columns.bus + shift} V${last + INPUTS_APART}`}
        {...stroke}
      />
      <Dot x={DIVIDER} y={MID} />
      {Array.from({ length: steps + 1 }, (_, index) => {
        const part = resistorIn(assembly, 'string', index);
        const y = STRING + pitch * (index + 0.5);
        return part && <Upright key={index} part={part} x={string} y={y} />;
      })}
      {rows.map(({ node, at, y }) => {
        const found = units[at];
        return (
          found && (
            <LadderStep
              key={node}
              design={design}
              amps={probe.eachLoadAmps[at] ?? 0}
              unit={found}
              others={units}
              index={at}
              tap={node}
              shift={shift}
              y={y}
            />
          )
        );
      })}
      <TestPointTag x={DIVIDER - 10} y={MID} side="left" id="A" text={volts(probe.testPointVolts.A ?? 0)} />
      <TestPointTag x={string - 8} y={last} side="left" id="R" text={volts(probe.testPointVolts.R ?? 0)} />
    </>
  );
}

/** Every comparator in use, in the order of the steps. */
function unitsOf({ parts }: Assembly) {
  return partsOfKind(parts, 'comparator').flatMap((block) =>
    block.units.map((unit, index) => ({
      unit,
      designator: block.designator,
      letter: unitLetter(block, index),
    })),
  );
}
