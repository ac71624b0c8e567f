'use client';

import type { Design, SwitchPoint } from '@/core/design/analysis';
import type { Thresholds } from '@/core/design/decision';
import type { LadderSettings } from '@/core/stages/decider';
import { namedOhmsAt } from '@/core/readings/named';
import { Fact, Panel } from '@/ui/common/Panel';
import { useLightText, useProject, useScale } from '@/ui/workbench/context';
import { amps, ratio, volts } from '@/ui/words/figures';
import { betweenReadings } from '@/ui/words/light';

interface ThresholdsPanelProps {
  readonly design: Design;
  readonly thresholds: Thresholds;
}

/** Where a decider turns the load on and off, and what its output does. */
export function ThresholdsPanel({ design, thresholds }: ThresholdsPanelProps) {
  const { turnOn, turnOff, bandRatio } = thresholds;
  const { detector } = useProject();
  if (detector.kind === 'ladder') return <StepsPanel thresholds={thresholds} settings={detector} />;
  const off = Math.abs(thresholds.offVolts) < 0.0005 ? 0 : thresholds.offVolts;
  if (detector.kind === 'change') return <OutputOnly thresholds={thresholds} />;
  return (
    <Panel title="Where it switches">
      <PointFact name="Turns on" point={turnOn} midVolts={thresholds.turnOnVolts} />
      <PointFact name="Turns off" point={turnOff} midVolts={thresholds.turnOffVolts} />
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
      <Fact name="Output when on" value={volts(thresholds.onVolts)} note={`${volts(off)} when off`} />
      <Fact
        name="Output carries"
        value={amps(thresholds.outputAmps)}
        note={`${amps(thresholds.maxOutputAmps)} allowed`}
      />
      {design.assembly.transistor === null && (
        <p className="soft">The output itself carries the load; there is no transistor after it.</p>
      )}
    </Panel>
  );
}

/** What fires on a change has an output, and no light at which it switches. */
function OutputOnly({ thresholds }: { readonly thresholds: Thresholds }) {
  return (
    <Panel title="Its output">
      <Fact
        name="When it fires"
        value={volts(thresholds.onVolts)}
        note={`${volts(thresholds.offVolts)} when quiet`}
      />
      <Fact
        name="Output carries"
        value={amps(thresholds.outputAmps)}
        note={`${amps(thresholds.maxOutputAmps)} allowed`}
      />
    </Panel>
  );
}

/** Every step of a ladder: where it comes, and where it is wanted. */
function StepsPanel({
  thresholds,
  settings,
}: {
  readonly thresholds: Thresholds;
  readonly settings: LadderSettings;
}) {
  const light = useLightText();
  return (
    <Panel title="Where the steps come">
      {settings.stepLux.map((wanted, index) => {
        const rising = thresholds.boundaries[index]?.rising;
        const midVolts = thresholds.boundaries[index]?.risingVolts;
        return (
          <Fact
            key={index}
            name={`Step ${index + 1}`}
            value={rising?.ok ? light(rising.lux) : 'never'}
            note={`wanted ${light(wanted)}${midVolts ? ` · A ${volts(midVolts)}` : ''}`}
          />
        );
      })}
      <Fact
        name="An output carries"
        value={amps(thresholds.outputAmps)}
        note={`${amps(thresholds.maxOutputAmps)} allowed`}
      />
    </Panel>
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
