import type { ProbeReading } from '@/core/analyse/probe';
import type { Assembly } from '@/core/operate/assembly';
import { partIn } from '@/core/parts/find';
import { amps, ohms } from '../words/figures';
import { useDrawing } from './context';
import { layout } from './layout';
import { PartLabel } from './PartLabel';
import { resistorIn, Upright } from './resistors';
import { Dot, LdrSymbol, Wire } from './symbols';

const { TOP, BOTTOM, MID, DIVIDER } = layout;
/** Where the resistor across the LDR stands, and how far its wires reach above and below. */
const BESIDE = DIVIDER + 68;
const BESIDE_REACH = 22;
/** Two parts in one half stand so far from its middle. */
const APART = 25;

interface DividerPartsProps {
  readonly assembly: Assembly;
  readonly probe: ProbeReading;
  /** Where the lower rail runs, if further down than usual. */
  readonly bottom?: number;
}

/** The divider's column: R1 in one half; in the other the LDR, with the resistor in series or across it where there is one. */
export function DividerParts({ assembly, probe, bottom = BOTTOM }: DividerPartsProps) {
  const { style } = useDrawing();
  const ldr = partIn(assembly.parts, 'ldr', 'ldr');
  const series = resistorIn(assembly, 'ldr-series');
  const across = resistorIn(assembly, 'ldr-parallel');
  if (!ldr) return null;
  const isTop = ldr.a === 'supply';
  const isDirect = isDrivenDirectly(assembly);
  const [half, other] = isTop ? [(TOP + MID) / 2, (MID + BOTTOM) / 2] : [(MID + BOTTOM) / 2, (TOP + MID) / 2];
  // With a resistor in series the LDR moves outward, away from the midpoint.
  const outward = isTop ? -1 : 1;
  const ldrY = series ? half + outward * APART : half;
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
      {!isDirect && <Fixed assembly={assembly} y={other} />}
      {series && <Upright part={series} x={DIVIDER} y={half - outward * 24} />}
      {across && <Across part={across} y={ldrY} />}
      <LdrSymbol x={DIVIDER} y={ldrY} />
      <PartLabel
        x={DIVIDER + (across ? 10 : style === 'ansi' ? 25 : 14)}
        y={ldrY - 3}
        anchor="start"
        name={ldr.designator}
        value={ohms(probe.ldrOhms)}
      />
      {/* Where three stand in the upper half, one of them across the LDR, there is room at the lower end. */}
      <text
        x={DIVIDER + 9}
        y={isTop && series && across ? bottom - 6 : TOP + 17}
        className="value"
        fill="var(--ink-soft)"
      >
        {`↓ ${amps(probe.ldrAmps)}`}
      </text>
    </>
  );
}

/** R1, its trimmer, or both, in the order in which current passes them. */
export function fixedParts({ parts }: Pick<Assembly, 'parts'>) {
  const trimmer = partIn(parts, 'trimmer', 'fixed-trimmer');
  const resistor = partIn(parts, 'resistor', 'fixed');
  return [
    ...(trimmer
      ? [
          {
            part: { designator: trimmer.designator, ohms: trimmer.trackOhms },
            to: trimmer.lower,
            adjustable: true,
          },
        ]
      : []),
    ...(resistor ? [{ part: resistor, to: resistor.b, adjustable: false }] : []),
  ];
}

/** R1 leads from the LDR to the base, not to the other rail. */
export const isDrivenDirectly = (assembly: Pick<Assembly, 'parts'>) =>
  fixedParts(assembly).at(-1)?.to === 'base';

function Fixed({ assembly, y }: { readonly assembly: Assembly; readonly y: number }) {
  const parts = fixedParts(assembly);
  const offsets = parts.length > 1 ? [-APART, APART] : [0];
  return parts.map(({ part, adjustable }, index) => (
    <Upright
      key={part.designator}
      part={part}
      x={DIVIDER}
      y={y + (offsets[index] ?? 0)}
      adjustable={adjustable}
    />
  ));
}

/** A resistor beside the LDR, joined to both its ends. */
function Across({
  part,
  y,
}: {
  readonly part: { readonly designator: string; readonly ohms: number };
  readonly y: number;
}) {
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
