import type { Assembly } from '@/core/operate/assembly';
import { pinsOf } from '@/core/parts/registry';
import { loadDrawing } from '../loads/registry';
import { amps, partOhms, railText, volts } from '../../words/figures';
import { DividerParts } from '../DividerParts';
import type { DrawingProps } from '../drawing';
import { partsOfKind, partWith } from '@/core/parts/find';
import { unitLetter } from '../DetectorFrame';
import { EdgeFeedback } from '../EdgeFeedback';
import { hasEdgeBand, LADDER_HEAD, ladderPitch, layout } from '../layout';
import { PartLabel, TestPointTag } from '../PartLabel';
import { resistorIn, Upright } from '../resistors';
import { ComparatorSymbol, Dot, LedSymbol, ResistorSymbol, stroke, Wire } from '../symbols';

const { TOP, MID, DIVIDER, RAIL } = layout;
const plain = {
  ...{ riser: 200, string: 226, bus: 290 },
  ...{ left: 322, right: 370, led: 440, resistor: 510, rail: 580 },
} as const;
/** Where each comparator has a feedback: its bus nearer to the string, all behind it further right. */
const banded = {
  ...{ riser: 200, string: 226, bus: 298 },
  ...{ left: 396, right: 444, led: 514, resistor: 584, rail: 654 },
} as const;
/** How far a feedback leads round a comparator beyond its plus input, and the node before that input. */
const [AROUND, NODE, BEHIND] = [24, 14, 12];
const REACH = 9;
/** Over the string's upper end the midpoint passes to the comparators; below it the string begins. */
const [OVER, STRING] = [TOP + 16, TOP + LADDER_HEAD];

/** Comparators in a column on one string, each with its own load at its right. */
export function LadderSchematic({ design, probe, place }: DrawingProps) {
  const { assembly } = design;
  const { shift, bottom } = place;
  const isBanded = hasEdgeBand(assembly);
  const pitch = ladderPitch(assembly);
  const columns = isBanded ? banded : plain;
  const x = (column: keyof typeof columns) => columns[column] + shift;
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
  const hot = railText((own ?? sensor)?.volts ?? 0);
  return (
    <>
      <DividerParts assembly={assembly} probe={probe} bottom={bottom} />
      <Wire
        points={[
          [RAIL, TOP],
          [x('string'), TOP],
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
          x={x('rail') + 6}
          y={TOP + 5}
          anchor="start"
          name={own.designator}
          value={railText(own.volts)}
        />
      )}
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
        const part = resistorIn(assembly, 'string', index);
        const y = STRING + pitch * (index + 0.5);
        return part && <Upright key={index} part={part} x={x('string')} y={y} />;
      })}
      {rows.map(({ node, at, y }) => {
        const found = units[at];
        const placed = assembly.loads[at];
        if (!found || !placed) return null;
        const { block, unit, letter } = found;
        const amount = probe.eachLoadAmps[at] ?? 0;
        const full = design.loads[at]?.amps ?? 1;
        const { symbol } = loadDrawing(placed.load);
        const series = resistorIn(assembly, 'series', at);
        const end = hotEnd(assembly, at, hot);
        const isTapPlus = unit.minus !== node;
        const [input, round] = isTapPlus ? [y, -AROUND] : [y + 2 * REACH, AROUND];
        const supply = partWith(assembly.parts, 'logic-supply', at);
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
            <EdgeFeedback
              assembly={assembly}
              index={at}
              x={{ from: x('bus'), node: x('left') - NODE, to: x('right') + BEHIND }}
              y={{ input, over: input + round, out: y + REACH }}
            />
            <ComparatorSymbol
              x={(x('left') + x('right')) / 2}
              y={y + REACH}
              upper={isTapPlus ? '+' : '−'}
              reach={REACH}
            />
            <Wire
              points={[
                [x('right'), y + REACH],
                [x('rail'), y + REACH],
              ]}
            />
            <PartLabel
              x={x('right') + 4}
              y={y + REACH - 5}
              anchor="start"
              name={block.designator}
              unit={letter}
            />
            <g transform={`rotate(90 ${x('led')} ${y + REACH})`}>
              {symbol === null ? (
                <LedSymbol x={x('led')} y={y + REACH} share={full > 0 ? amount / full : 0} />
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
            <PartLabel x={x('led') - 25} y={y + REACH - 7} anchor="middle" name={placed.designator} />
            {placed.flyback && (
              <PartLabel x={x('led') + 28} y={y + REACH - 7} anchor="middle" name={placed.flyback} />
            )}
            {series && (
              <>
                <ResistorSymbol x={x('resistor')} y={y + REACH} lying />
                <PartLabel
                  x={x('resistor')}
                  y={y + REACH - 11}
                  anchor="middle"
                  flat
                  name={series.designator}
                  value={partOhms(series.ohms * (series.count ?? 1))}
                />
              </>
            )}
            <path d={`M${x('rail')} ${y + REACH - 8} v16`} {...stroke} />
            {supply?.kind === 'supply' ? (
              <PartLabel
                x={x('rail') + 6}
                y={y + REACH}
                anchor="start"
                name={supply.designator}
                value={railText(supply.volts)}
              />
            ) : (
              <text x={x('rail') + 6} y={y + REACH + 5} className="value" fill="var(--ink)">
                {end}
              </text>
            )}
            <text x={x('rail') + 66} y={y + REACH + 5} className="value" fill="var(--amber-ink)">
              {amps(amount)}
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

/** Every comparator in use, in the order of the steps. */
function unitsOf({ parts }: Assembly) {
  return partsOfKind(parts, 'comparator').flatMap((block) =>
    block.units.map((unit, index) => ({ block, unit, letter: unitLetter(block, index) })),
  );
}

/** What a load hangs on at its other end: the rail, or the output of another step. */
function hotEnd(assembly: Assembly, index: number, rail: string): string {
  const part = resistorIn(assembly, 'series', index) ?? partWith(assembly.parts, 'load', index);
  const nets = part ? pinsOf(part).map(({ net }) => net) : [];
  const own = unitsOf(assembly)[index]?.unit.out;
  const other = unitsOf(assembly).find(({ unit: { out } }) => out !== own && nets.includes(out));
  return other ? `${other.block.designator}${other.letter} out` : rail;
}
