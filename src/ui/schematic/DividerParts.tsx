import type { ProbeReading } from '@/core/design/probe';
import type { Part, Assembly } from '@/core/stages/description';
import { amps, ohms, partOhms } from '../words/figures';
import { useDrawing } from './context';
import { layout } from './layout';
import { PartLabel } from './PartLabel';
import { Dot, LdrSymbol, ResistorSymbol, Wire } from './symbols';

const { TOP, BOTTOM, MID, DIVIDER } = layout;
/** Where the resistor across the LDR stands, and how far its wires reach above and below. */
const BESIDE = DIVIDER + 68;
const BESIDE_REACH = 22;

interface DividerPartsProps {
  readonly assembly: Assembly;
  readonly probe: ProbeReading;
  /** R1 is a trimmer. */
  readonly adjustable: boolean;
  /** Where the lower rail runs, if further down than usual. */
  readonly bottom?: number;
}

/** The divider's column: R1 in one half; in the other the LDR, with the resistor in series or across it where there is one. */
export function DividerParts({ assembly, probe, adjustable, bottom = BOTTOM }: DividerPartsProps) {
  const part = (designator: string) =>
    assembly.parts.find((candidate) => candidate.designator === designator);
  const ldr = part(assembly.ldr);
  const fixed = part(assembly.fixed);
  const series = part('R4');
  const across = part('R5');
  const { style } = useDrawing();
  if (ldr?.kind !== 'ldr' || fixed?.kind !== 'resistor') return null;
  const isTop = ldr.a === assembly.supplyNode;
  const isDirect = fixed.b === 'base';
  const [half, other] = isTop ? [(TOP + MID) / 2, (MID + BOTTOM) / 2] : [(MID + BOTTOM) / 2, (TOP + MID) / 2];
  // With a resistor in series the LDR moves outward, away from the midpoint.
  const outward = isTop ? -1 : 1;
  const ldrY = series ? half + outward * 25 : half;
  return (
    <>
      <Wire
        points={[
          [DIVIDER, isDirect && !isTop ? MID : TOP],
          [DIVIDER, isDirect && isTop ? MID : bottom],
        ]}
      />
      <Dot x={DIVIDER} y={isTop || !isDirect ? TOP : bottom} />
      {!isDirect && <Dot x={DIVIDER} y={bottom} />}
      {!isDirect && <Upright part={fixed} y={other} adjustable={adjustable} />}
      {series?.kind === 'resistor' && <Upright part={series} y={half - outward * 24} />}
      {across?.kind === 'resistor' && <Across part={across} y={ldrY} />}
      <LdrSymbol x={DIVIDER} y={ldrY} />
      <PartLabel
        x={DIVIDER + (across ? 10 : style === 'ansi' ? 25 : 14)}
        y={ldrY - 3}
        anchor="start"
        name={ldr.designator}
        value={ohms(probe.ldrOhms)}
      />
      <text x={DIVIDER + 9} y={TOP + 17} className="value" fill="var(--ink-soft)">
        {`↓ ${amps(probe.ldrAmps)}`}
      </text>
    </>
  );
}

interface UprightProps {
  readonly part: Extract<Part, { kind: 'resistor' }>;
  readonly y: number;
  readonly x?: number;
  readonly adjustable?: boolean;
}

function Upright({ part, y, x = DIVIDER, adjustable = false }: UprightProps) {
  return (
    <>
      <ResistorSymbol x={x} y={y} adjustable={adjustable} />
      <PartLabel
        reach={adjustable ? 30 : 22}
        x={x + (adjustable ? 20 : 14)}
        y={y - 3}
        anchor="start"
        name={part.designator}
        value={partOhms(part.ohms)}
      />
    </>
  );
}

/** A resistor beside the LDR, joined to both its ends. */
function Across({ part, y }: UprightProps) {
  return (
    <>
      {[y - BESIDE_REACH, y + BESIDE_REACH].map((end) => (
        <g key={end}>
          <Wire
            points={[
              [DIVIDER, end],
              [BESIDE, end],
              [BESIDE, y],
            ]}
          />
          <Dot x={DIVIDER} y={end} />
        </g>
      ))}
      <Upright part={part} y={y} x={BESIDE} />
    </>
  );
}
