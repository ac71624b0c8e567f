import { amps, partOhms, volts } from '../words/figures';
import { DividerParts } from './DividerParts';
import type { DrawingProps } from './drawing';
import { railName } from './editable';
import { LADDER_HEAD, LADDER_PITCH, layout } from './layout';
import { PartLabel, TestPointTag } from './PartLabel';
import { resistorNamed, Upright } from './standing';
import { ComparatorSymbol, Dot, LedSymbol, ResistorSymbol, stroke, Wire } from './symbols';

const { TOP, MID, DIVIDER, RAIL } = layout;
const at = {
  riser: 200,
  string: 226,
  bus: 290,
  left: 322,
  right: 370,
  led: 440,
  resistor: 510,
  rail: 580,
} as const;
const REACH = 9;
/** Over the string's upper end the midpoint passes to the comparators; below it the string begins. */
const [OVER, STRING] = [TOP + 16, TOP + LADDER_HEAD];

/** Comparators in a column on one string, each with its own load at its right. */
export function LadderSchematic({ design, probe, place, adjustable }: DrawingProps) {
  const { assembly } = design;
  const { shift, bottom } = place;
  const x = (column: keyof typeof at) => at[column] + shift;
  const blocks = assembly.parts.flatMap((part) => (part.kind === 'comparator' ? [part] : []));
  const steps = blocks.length;
  // Taps from the top: the reference of a row is the node `ref.n` … `ref.2`, `ref`.
  const rows = Array.from({ length: steps }, (_, index) => {
    const node = steps - index === 1 ? 'ref' : `ref.${steps - index}`;
    const block = blocks.find(({ plus, minus }) => plus === node || minus === node);
    return { node, block, y: STRING + LADDER_PITCH * (index + 1) };
  });
  const last = rows[rows.length - 1]?.y ?? MID;
  const supply = railName(assembly.rails[0]?.volts ?? 0);
  const hot = assembly.rails[1] ? railName(assembly.rails[1].volts) : supply;
  return (
    <>
      <DividerParts assembly={assembly} probe={probe} adjustable={adjustable} bottom={bottom} />
      <Wire
        points={[
          [RAIL, TOP],
          [x('string'), TOP],
        ]}
      />
      <PartLabel x={RAIL - 6} y={TOP + 5} anchor="end" name={supply} />
      <Wire
        points={[
          [RAIL, bottom],
          [x('string'), bottom],
          [x('string'), TOP],
        ]}
      />
      <text x={RAIL - 6} y={bottom + 5} textAnchor="end" className="value" fill="var(--ink)">
        0 V
      </text>
      <path
        d={`M${DIVIDER} ${MID} H${x('riser')} V${OVER} H${x('string') - 6} a6 6 0 0 1 12 0 H${x('bus')} V${last + 2 * REACH}`}
        {...stroke}
      />
      <Dot x={DIVIDER} y={MID} />
      {Array.from({ length: steps + 1 }, (_, index) => {
        const part = resistorNamed(assembly, `R${31 + index}`);
        const y = STRING + LADDER_PITCH * (index + 0.5);
        return part && <Upright key={index} part={part} x={x('string')} y={y} />;
      })}
      {rows.map(({ node, block, y }) => {
        if (!block) return null;
        const step = Number(block.designator.slice(2));
        const placed = assembly.loads[step - 1];
        const own = probe.eachLoadAmps[step - 1] ?? 0;
        const full = design.loads[step - 1]?.amps ?? 1;
        const end = placed && hotEnd(assembly, placed.resistor ?? placed.designator, hot);
        return (
          <g key={node}>
            <Wire
              points={[
                [x('string'), y],
                [x('left'), y],
              ]}
            />
            <Dot x={x('string')} y={y} />
            <Wire
              points={[
                [x('bus'), y + 2 * REACH],
                [x('left'), y + 2 * REACH],
              ]}
            />
            <ComparatorSymbol
              x={(x('left') + x('right')) / 2}
              y={y + REACH}
              upper={block.plus === node ? '+' : '−'}
              reach={REACH}
            />
            <Wire
              points={[
                [x('right'), y + REACH],
                [x('rail'), y + REACH],
              ]}
            />
            <PartLabel x={x('right') + 4} y={y + REACH - 5} anchor="start" name={block.designator} />
            <g transform={`rotate(90 ${x('led')} ${y + REACH})`}>
              {placed?.load.kind === 'led' ? (
                <LedSymbol x={x('led')} y={y + REACH} share={full > 0 ? own / full : 0} />
              ) : (
                <rect
                  x={x('led') - 9}
                  y={y + REACH - 16}
                  width={18}
                  height={32}
                  {...stroke}
                  fill="var(--card)"
                />
              )}
            </g>
            <PartLabel x={x('led') - 25} y={y + REACH - 7} anchor="middle" name={placed?.designator ?? ''} />
            {placed?.resistor && (
              <>
                <ResistorSymbol x={x('resistor')} y={y + REACH} lying />
                <PartLabel
                  x={x('resistor')}
                  y={y + REACH - 11}
                  anchor="middle"
                  flat
                  name={placed.resistor}
                  value={partOhms(resistorNamed(assembly, placed.resistor)?.ohms ?? 0)}
                />
              </>
            )}
            <path d={`M${x('rail')} ${y + REACH - 8} v16`} {...stroke} />
            <text x={x('rail') + 6} y={y + REACH + 5} className="value" fill="var(--ink)">
              {end}
            </text>
            <text x={x('rail') + 66} y={y + REACH + 5} className="value" fill="var(--amber-ink)">
              {amps(own)}
            </text>
          </g>
        );
      })}
      <TestPointTag x={DIVIDER - 10} y={MID} side="left" id="A" text={volts(probe.testPointVolts.A ?? 0)} />
      <TestPointTag
        x={x('string') - 8}
        y={last}
        side="left"
        id="R"
        text={volts(probe.testPointVolts.R ?? 0)}
      />
    </>
  );
}

/** What a load hangs on at its other end: the rail, or the output of the next step. */
function hotEnd({ parts }: DrawingProps['design']['assembly'], name: string, rail: string): string {
  const part = parts.find(({ designator }) => designator === name);
  const node = part && 'a' in part ? part.a : 'supply';
  return node.startsWith('out.') ? `IC${node.slice(4)} out` : rail;
}
