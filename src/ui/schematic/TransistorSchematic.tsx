import type { Design } from '@/core/design/analysis';
import type { ProbeReading } from '@/core/design/probe';
import type { Part, StageDescription } from '@/core/stages/description';
import { amps, partOhms, volts } from '../words/figures';
import { transistorNames } from '../words/parts';
import { DividerParts } from './DividerParts';
import { railName } from './editable';
import { layout, PIN, type SchematicLayout } from './layout';
import { LoadColumn } from './LoadColumn';
import { PartLabel, TestPointTag } from './PartLabel';
import { SwitchSymbol } from './SwitchSymbol';
import { Dot, ResistorSymbol, Wire } from './symbols';

interface TransistorSchematicProps {
  readonly design: Design;
  readonly probe: ProbeReading;
  readonly place: SchematicLayout;
  readonly adjustable: boolean;
}

const { TOP, BOTTOM, MID, DIVIDER, LOAD, RAIL } = layout;
/** Where the base or gate of the switch is reached. */
const CONTROL = LOAD - 30;

/** A stage of one transistor: divider at the left, switch and loads at the right, figures as a meter would show them. */
export function TransistorSchematic({ design, probe, place, adjustable }: TransistorSchematicProps) {
  const { description } = design;
  const { transistor } = description;
  const { kind } = transistor;
  const point = (id: string) => volts(probe.testPointVolts[id] ?? 0);
  const hasControl = description.testPoints.some(({ id }) => id === 'B');
  const before = description.parts.find((part) => part.kind === 'resistor' && part.b === 'base');
  return (
    <>
      <Rails description={description} place={place} />
      <DividerParts description={description} probe={probe} adjustable={adjustable} />
      <ControlWire
        before={before}
        baseAmps={kind === 'nmos' ? null : probe.baseAmps}
        isOutward={kind === 'pnp'}
        adjustable={adjustable && before?.designator === description.fixed}
      />
      <SwitchWires place={place} />
      <SwitchSymbol kind={kind} x={LOAD} y={MID} />
      <PartLabel
        x={LOAD + 16}
        y={MID - 2}
        anchor="start"
        reach={44}
        name={transistor.designator}
        value={transistorNames[kind]}
      />
      {place.columns.map((column) => {
        const loadAmps = probe.eachLoadAmps[column.index] ?? 0;
        const full = design.loads[column.index]?.amps ?? 1;
        return (
          <LoadColumn
            key={column.index}
            column={column}
            place={place}
            description={description}
            loadAmps={loadAmps}
            share={full > 0 ? loadAmps / full : 0}
          />
        );
      })}
      <TestPointTag x={DIVIDER - 10} y={MID} side="left" id="A" text={point('A')} />
      {hasControl && <TestPointTag x={CONTROL - 2} y={MID - 22} side="left" id="B" text={point('B')} />}
      <TestPointTag x={lastX(place) + 10} y={place.nodeY} side="right" id="C" text={point('C')} />
    </>
  );
}

const lastX = ({ columns }: SchematicLayout) => columns[columns.length - 1]?.x ?? LOAD;

/** Both rails with what stands on them; the load's own where it has one. */
function Rails({
  description,
  place,
}: {
  readonly description: StageDescription;
  readonly place: SchematicLayout;
}) {
  const [sensor, own] = description.rails;
  const last = lastX(place);
  const topEnd = place.isHigh ? LOAD : last;
  return (
    <>
      <Wire
        points={[
          [RAIL, TOP],
          [own ? DIVIDER : topEnd, TOP],
        ]}
      />
      <PartLabel x={RAIL - 6} y={TOP + 5} anchor="end" name={railName(sensor?.volts ?? 0)} />
      {own && (
        <>
          <Wire
            points={[
              [LOAD - 22, TOP],
              [topEnd, TOP],
            ]}
          />
          <PartLabel x={LOAD - 27} y={TOP + 5} anchor="end" name={railName(own.volts)} />
          {!own.joined && (
            <text x={LOAD - 12} y={BOTTOM - 8} textAnchor="end" className="value" fill="var(--brick)">
              load’s 0 V is loose
            </text>
          )}
        </>
      )}
      <Wire
        points={[
          [RAIL, BOTTOM],
          [place.isHigh ? last : LOAD, BOTTOM],
        ]}
      />
      <text x={RAIL - 6} y={BOTTOM + 5} textAnchor="end" className="value" fill="var(--ink)">
        0 V
      </text>
    </>
  );
}

/** From rail through the switch to the node of the loads. */
function SwitchWires({ place }: { readonly place: SchematicLayout }) {
  const last = lastX(place);
  const [loadPin, freePin] = place.isHigh ? [MID + PIN, MID - PIN] : [MID - PIN, MID + PIN];
  return (
    <>
      <Wire
        points={[
          [LOAD, loadPin],
          [LOAD, place.nodeY],
          [last, place.nodeY],
        ]}
      />
      <Wire
        points={[
          [LOAD, freePin],
          [LOAD, place.isHigh ? TOP : BOTTOM],
        ]}
      />
      <Dot x={LOAD} y={place.nodeY} />
    </>
  );
}

interface ControlWireProps {
  readonly before: Part | undefined;
  /** `null` for a gate, which takes none. */
  readonly baseAmps: number | null;
  readonly isOutward: boolean;
  readonly adjustable: boolean;
}

/** The way from midpoint to base or gate: a wire, or a resistor; with the current through it. */
function ControlWire({ before, baseAmps, isOutward, adjustable }: ControlWireProps) {
  const resistorX = DIVIDER + 44;
  return (
    <>
      <Wire
        points={[
          [DIVIDER, MID],
          [CONTROL, MID],
        ]}
      />
      <Dot x={DIVIDER} y={MID} />
      {before?.kind === 'resistor' && (
        <>
          <ResistorSymbol x={resistorX} y={MID} lying adjustable={adjustable} />
          <PartLabel
            x={resistorX + 2}
            y={MID + 24}
            anchor="middle"
            flat
            above={22}
            name={before.designator}
            value={partOhms(before.ohms)}
          />
        </>
      )}
      {baseAmps !== null && (
        <text
          x={CONTROL + 6}
          y={MID + (before ? 42 : 24)}
          textAnchor="end"
          className="value"
          fill="var(--ink-soft)"
        >
          {isOutward ? `← ${amps(baseAmps)}` : `${amps(baseAmps)} →`}
        </text>
      )}
    </>
  );
}
