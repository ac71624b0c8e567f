'use client';

import type { Design } from '@/core/design';
import { roomLightsOf } from '@/core/analyse/roomLights';
import { isOnce, stageOf } from '@/core/detectors/stageOf';
import { windowEdges, type EdgeLights, type Thresholds } from '@/core/detectors/thresholds';
import type { SwitchPoint } from '@/core/light/crossing';
import { namedOhmsAt } from '@/core/readings/named';
import { Fact, Panel } from '@/ui/common/Panel';
import { useLightText, useProject, useScale } from '@/ui/workbench/context';
import { amps, ratio, volts } from '@/ui/words/figures';
import { betweenReadings } from '@/ui/words/light';
import { switchWords } from '@/ui/words/panels/switch';

interface BandPanelProps {
  readonly design: Design;
  readonly thresholds: Thresholds;
}

/** Where a detector turns the load on and off, and what its output does. */
export function BandPanel({ design, thresholds }: BandPanelProps) {
  const { turnOn, turnOff, bandRatio } = thresholds;
  // What changes over, or ends by itself, waits at the one light for what the other starts.
  const { kind } = stageOf(useProject());
  const edges = windowEdges(thresholds);
  const off = Math.abs(thresholds.offVolts) < 0.0005 ? 0 : thresholds.offVolts;
  return (
    <Panel title={switchWords.whereItSwitches}>
      <PointFact
        name={kind === 'turns-over' ? switchWords.changesOver : switchWords.lightOfOn}
        point={turnOn}
        midVolts={thresholds.turnOnVolts}
      />
      <PointFact
        name={isOnce(kind) ? switchWords.readyAgain : switchWords.lightOfOff}
        point={turnOff}
        midVolts={thresholds.turnOffVolts}
      />
      <Fact
        name="Band"
        value={bandRatio === null ? '–' : bandRatio < 1.0005 ? 'none' : ratio(bandRatio)}
        note={
          bandRatio === null
            ? 'one of them is not reached'
            : bandRatio < 1.0005
              ? 'no hysteresis'
              : thresholds.isWindow
                ? 'from edge to edge'
                : 'in light, between on and off'
        }
      />
      <RoomFact design={design} />
      {edges && isApart(edges.lower) && (
        <EdgeFact name={switchWords.lowerEdge} edge={edges.lower} isInside={!thresholds.isOn[0]} />
      )}
      {edges && isApart(edges.upper) && (
        <EdgeFact name={switchWords.upperEdge} edge={edges.upper} isInside={Boolean(thresholds.isOn[0])} />
      )}
      <Fact name="Output when on" value={volts(thresholds.onVolts)} note={`${volts(off)} when off`} />
      <Fact
        name="Output carries"
        value={amps(thresholds.outputAmps)}
        note={`${amps(thresholds.maxOutputAmps)} allowed`}
      />
      {design.assembly.driver === null && <p className="soft">{switchWords.theOutputDrives}</p>}
    </Panel>
  );
}

/** Two lights nearer than this are one, as a ratio. */
const SAME_RATIO = 1.0005;
const isApart = ({ rising, falling }: EdgeLights) => rising / falling > SAME_RATIO;

interface EdgeFactProps {
  readonly name: string;
  readonly edge: EdgeLights;
  /** The load comes on where it is passed to the brighter side. */
  readonly isInside: boolean;
}

/** An edge with a band: where it is passed on either way. */
function EdgeFact({ name, edge: { rising, falling }, isInside }: EdgeFactProps) {
  const light = useLightText();
  const [on, off] = isInside ? [rising, falling] : [falling, rising];
  return (
    <Fact name={name} value={ratio(rising / falling)} note={`on at ${light(on)}, off at ${light(off)}`} />
  );
}

/** What stands above is the light at the LDR, the load's own included: here the light of the room without it. */
function RoomFact({ design }: { readonly design: Design }) {
  const light = useLightText();
  const project = useProject();
  const room = project.feedbackLux > 0 ? roomLightsOf(project, design) : null;
  if (!room) return null;
  return (
    <Fact
      name={switchWords.inTheRoom}
      value={light(room.onLux)}
      note={`off at ${light(room.offLux)}, without its own light`}
    />
  );
}

interface PointFactProps {
  readonly name: string;
  readonly point: SwitchPoint;
  readonly midVolts: number | null;
}

function PointFact({ name, point, midVolts }: PointFactProps) {
  const light = useLightText();
  const project = useProject();
  const scale = useScale();
  if (!point.ok) {
    const note = point.reason === 'stays-above' ? 'always on' : 'stays off';
    return <Fact name={name} value="never" note={note} />;
  }
  const where =
    scale === 'ohms'
      ? betweenReadings(namedOhmsAt(point.lux), project)
      : `${light(point.lowLux)} to ${light(point.highLux)}`;
  return (
    <Fact
      name={name}
      value={light(point.lux)}
      note={midVolts === null ? where : `${where} · A ${volts(midVolts)}`}
    />
  );
}
