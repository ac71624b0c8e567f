import { drivers } from '@/core/drivers/registry';
import type { BipolarPart } from '@/core/parts/kinds/bipolar';
import type { ChannelPart } from '@/core/parts/kinds/channel';
import { amps, partOhms, volts } from '../words/figures';
import { transistorNames } from '../words/names';
import { OutputStageBox } from './OutputStageBox';
import type { DrawingProps } from './drawing';
import { fixedParts, isDrivenDirectly } from './DividerParts';
import { layout, PIN, type SchematicLayout } from './layout';
import { LoadColumn } from './LoadColumn';
import { PartLabel, TestPointTag } from './PartLabel';
import { lastX, Rails } from './Rails';
import { Lying, resistorIn } from './resistors';
import { SwitchSymbol } from './SwitchSymbol';
import { Dot, ResistorSymbol, Wire } from './symbols';

const { TOP, BOTTOM, MID } = layout;

/** All that is driven: the rails, the switch with what leads to its base or gate, and the loads. */
export function SwitchSide(props: DrawingProps) {
  const { design, probe, place } = props;
  const { assembly } = design;
  const { driver } = assembly;
  return (
    <>
      <Rails assembly={assembly} place={place} />
      <OutputStageBox assembly={assembly} place={place} />
      {driver ? <Transistor {...props} driver={driver} /> : <OutputWire place={place} />}
      {place.columns.map((column) => {
        const loadAmps = probe.eachLoadAmps[column.index] ?? 0;
        const full = design.loads[column.index]?.onAmps ?? 1;
        return (
          <LoadColumn
            key={column.index}
            column={column}
            place={place}
            assembly={assembly}
            loadAmps={loadAmps}
            share={full > 0 ? loadAmps / full : 0}
          />
        );
      })}
      <TestPointTag
        x={lastX(place) + 10}
        y={place.nodeY}
        side="right"
        id="C"
        text={volts(probe.testPointVolts.C ?? 0)}
      />
    </>
  );
}

/** From a detector's output direct to the loads. */
function OutputWire({ place }: { readonly place: SchematicLayout }) {
  const { drive, switchX, nodeY } = place;
  return (
    <Wire
      points={[
        [drive.x, drive.y],
        [switchX, drive.y],
        [switchX, nodeY],
        [lastX(place), nodeY],
      ]}
    />
  );
}

function Transistor({
  design,
  probe,
  place,
  driver,
}: DrawingProps & { readonly driver: BipolarPart | ChannelPart }) {
  const { assembly } = design;
  const { driverKind: kind } = assembly;
  const { polarity, control: controlPin } = drivers[kind];
  const { switchX } = place;
  const control = switchX - 30;
  const hasControl = assembly.testPoints.some(({ id }) => id === 'B');
  const base = resistorIn(assembly, 'base');
  const before = base
    ? [{ part: base, adjustable: false }]
    : isDrivenDirectly(assembly)
      ? fixedParts(assembly)
      : [];
  const release = resistorIn(assembly, 'release');
  const releaseX = control - 24;
  const toTop = polarity === 'p';
  return (
    <>
      <Wire
        points={[
          [place.drive.x, place.drive.y],
          [place.drive.x, MID],
          [control, MID],
        ]}
      />
      {before.map(({ part, adjustable }, index) => (
        <Lying
          key={part.designator}
          part={part}
          x={place.drive.x + 44 + 46 * index}
          y={MID}
          adjustable={adjustable}
          under={index === 0}
        />
      ))}
      {release && (
        <>
          <Wire
            points={[
              [releaseX, MID],
              [releaseX, toTop ? TOP : BOTTOM],
            ]}
          />
          <Dot x={releaseX} y={MID} />
          <Dot x={releaseX} y={toTop ? TOP : BOTTOM} />
          <ResistorSymbol x={releaseX} y={toTop ? 60 : 222} />
          <PartLabel
            x={releaseX - 12}
            y={toTop ? 57 : 219}
            anchor="end"
            name={release.designator}
            value={partOhms(release.ohms)}
          />
        </>
      )}
      {controlPin === 'base' && (
        <text
          x={control + 6}
          y={MID + (before.length > 0 ? 42 : 24)}
          textAnchor="end"
          className="value"
          fill="var(--ink-soft)"
        >
          {toTop ? `← ${amps(probe.baseAmps)}` : `${amps(probe.baseAmps)} →`}
        </text>
      )}
      <SwitchWires place={place} />
      <SwitchSymbol kind={kind} x={switchX} y={MID} />
      <PartLabel
        x={switchX + 16}
        y={MID - 2}
        anchor="start"
        reach={44}
        name={driver.designator}
        value={transistorNames[kind]}
      />
      {hasControl && (
        <TestPointTag
          x={control + 18}
          y={MID - 27}
          side="left"
          id="B"
          text={volts(probe.testPointVolts.B ?? 0)}
        />
      )}
    </>
  );
}

/** From rail through the switch to the node of the loads. */
function SwitchWires({ place }: { readonly place: SchematicLayout }) {
  const { switchX } = place;
  const last = lastX(place);
  const [loadPin, freePin] = place.isHigh ? [MID + PIN, MID - PIN] : [MID - PIN, MID + PIN];
  return (
    <>
      <Wire
        points={[
          [switchX, loadPin],
          [switchX, place.nodeY],
          [last, place.nodeY],
        ]}
      />
      <Wire
        points={[
          [switchX, freePin],
          [switchX, place.isHigh ? TOP : BOTTOM],
        ]}
      />
      <Dot x={switchX} y={place.nodeY} />
    </>
  );
}
