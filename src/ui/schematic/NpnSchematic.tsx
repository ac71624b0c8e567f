import { memo } from 'react';
import type { ProbeReading } from '@/core/design/probe';
import type { Part, StageDescription } from '@/core/stages/description';
import { amps, partOhms, volts } from '../words/figures';
import { DividerParts } from './DividerParts';
import { layout } from './layout';
import { Dot, LedSymbol, NpnSymbol, PartLabel, ResistorSymbol, TestPointTag, Wire } from './symbols';

interface NpnSchematicProps {
  readonly description: StageDescription;
  readonly probe: ProbeReading;
  /** Load current as a share of full. */
  readonly share: number;
}

const { TOP, BOTTOM, MID, DIVIDER, LOAD } = layout;
const TRANSISTOR = LOAD - 12;

/** The NPN stage: divider at the left, transistor and load at the right, figures as a meter would show them. */
export function NpnSchematic({ description, probe, share }: NpnSchematicProps) {
  const part = (designator: string) =>
    description.parts.find((candidate) => candidate.designator === designator);
  const base = part('R3');
  const series = part(description.loadResistor);
  return (
    <>
      <Wires />
      <text x={52} y={TOP + 5} textAnchor="end" className="value" fill="var(--ink)">
        {`+${volts(description.supplyVolts).replace(/\.?0+(?=\D*$)/, '')}`}
      </text>
      <text x={52} y={BOTTOM + 5} textAnchor="end" className="value" fill="var(--ink)">
        0 V
      </text>
      <DividerParts description={description} probe={probe} />
      <BaseWire base={base} baseAmps={probe.baseAmps} />
      <NpnSymbol x={TRANSISTOR} y={MID} />
      <PartLabel x={LOAD + 16} y={MID + 8} anchor="start" name="Q1" value="NPN" />
      <ResistorSymbol x={LOAD} y={TOP + 23} />
      {series?.kind === 'resistor' && (
        <PartLabel
          x={LOAD + 14}
          y={TOP + 20}
          anchor="start"
          name={series.designator}
          value={partOhms(series.ohms)}
        />
      )}
      <LedSymbol x={LOAD} y={TOP + 60} share={share} />
      <PartLabel x={LOAD + 26} y={TOP + 62} anchor="start" name="D1" />
      <text x={LOAD - 14} y={TOP + 23} textAnchor="end" className="value" fill="var(--amber-ink)">
        {amps(probe.loadAmps)} ↓
      </text>
      <TestPointTag x={DIVIDER - 10} y={MID} side="left" id="A" text={volts(probe.testPointVolts.A ?? 0)} />
      {base && (
        <TestPointTag
          x={TRANSISTOR - 22}
          y={MID - 17}
          side="left"
          id="B"
          text={volts(probe.testPointVolts.B ?? 0)}
        />
      )}
      <TestPointTag
        x={LOAD + 10}
        y={MID - 29}
        side="right"
        id="C"
        text={volts(probe.testPointVolts.C ?? 0)}
      />
    </>
  );
}

/** All that never changes: rails, columns, the way to the base, the joints. */
const Wires = memo(function Wires() {
  return (
    <>
      <Wire
        points={[
          [58, TOP],
          [LOAD, TOP],
        ]}
      />
      <Wire
        points={[
          [58, BOTTOM],
          [LOAD, BOTTOM],
        ]}
      />
      <Wire
        points={[
          [DIVIDER, TOP],
          [DIVIDER, BOTTOM],
        ]}
      />
      <Wire
        points={[
          [DIVIDER, MID],
          [TRANSISTOR - 12, MID],
        ]}
      />
      <Wire
        points={[
          [LOAD, TOP],
          [LOAD, MID - 20],
        ]}
      />
      <Wire
        points={[
          [LOAD, MID + 20],
          [LOAD, BOTTOM],
        ]}
      />
      {[
        [DIVIDER, TOP],
        [DIVIDER, BOTTOM],
      ].map(([x = 0, y = 0]) => (
        <Dot key={y} x={x} y={y} />
      ))}
      <Dot x={DIVIDER} y={MID} />
      <Dot x={LOAD} y={MID - 29} />
    </>
  );
});

/** The way from midpoint to base: a wire, or a resistor; with the current through it. */
function BaseWire({ base, baseAmps }: { readonly base: Part | undefined; readonly baseAmps: number }) {
  const resistorX = DIVIDER + 46;
  return (
    <>
      {base?.kind === 'resistor' && (
        <>
          <ResistorSymbol x={resistorX} y={MID} lying />
          <text x={resistorX} y={MID + 22} textAnchor="middle" fill="var(--ink)">
            <tspan className="name">R3</tspan> <tspan className="value">{partOhms(base.ohms)}</tspan>
          </text>
        </>
      )}
      <text
        x={DIVIDER + (base ? 120 : 100)}
        y={MID + 20}
        textAnchor="middle"
        className="value"
        fill="var(--ink-soft)"
      >
        {amps(baseAmps)} →
      </text>
    </>
  );
}
