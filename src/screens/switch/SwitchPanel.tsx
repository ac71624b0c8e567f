'use client';

import type { Step } from '@/core/design/advice';
import type { Design, SwitchPoint } from '@/core/design/analysis';
import { namedOhmsAt } from '@/core/readings/named';
import { HowFound } from '@/ui/common/HowFound';
import { NextStep } from '@/ui/common/NextStep';
import { Fact, Panel } from '@/ui/common/Panel';
import { useLightText, useProject, useScale } from '@/ui/workbench/context';
import { amps, beta, ratio, volts } from '@/ui/words/figures';
import { betweenReadings } from '@/ui/words/light';
import { explainDrive, explainPoints } from '@/ui/words/howFound';
import { OutputStagePanel } from './AfterPanel';
import { DetectorPanel } from './DeciderPanel';
import { ThresholdsPanel } from './DecisionPanel';
import { TransistorFields } from './TransistorFields';

interface StepPanelProps {
  readonly design: Design;
  readonly onGo: (step: Step) => void;
}

/** Step 3: what decides, where it switches, how softly, and whether its drive holds. */
export function SwitchPanel({ design, onGo }: StepPanelProps) {
  return (
    <>
      <DetectorPanel design={design} />
      <OutputStagePanel />
      {design.assembly.transistor && <TransistorFields />}
      {design.thresholds ? (
        <ThresholdsPanel design={design} thresholds={design.thresholds} />
      ) : (
        <PointsPanel design={design} />
      )}
      {design.assembly.transistor && <ForcePanel design={design} />}
      <NextStep step="drive" onGo={onGo} />
    </>
  );
}

function PointsPanel({ design }: { readonly design: Design }) {
  const { justOff, half, fullyOn, softBandRatio } = design;
  return (
    <Panel title="Where it switches" aside={<HowFound explanation={explainPoints(design)} />}>
      <PointFact name="Just off (1 %)" point={justOff} />
      <PointFact name="Half on" point={half} />
      <PointFact name="Fully on (90 %)" point={fullyOn} />
      <Fact
        name="Soft band"
        value={softBandRatio === null ? '–' : ratio(softBandRatio)}
        note={softBandRatio === null ? 'never fully on' : 'in light, from just off to fully on'}
      />
    </Panel>
  );
}

function PointFact({ name, point }: { readonly name: string; readonly point: SwitchPoint }) {
  const light = useLightText();
  const project = useProject();
  const scale = useScale();
  if (!point.ok) {
    return (
      <Fact
        name={name}
        value="never"
        note={point.reason === 'stays-above' ? 'always above it' : 'not reached'}
      />
    );
  }
  const note =
    scale === 'ohms'
      ? betweenReadings(namedOhmsAt(point.lux), project)
      : `${light(point.lowLux)} to ${light(point.highLux)}`;
  return <Fact name={name} value={light(point.lux)} note={note} />;
}

function ForcePanel({ design }: { readonly design: Design }) {
  const { drive } = design;
  const { baseAmps, forcedBeta, minBeta, gateVolts, guaranteedAmps, fullAmps, saturates } = drive;
  const { part } = useProject().driver;
  return (
    <Panel title="Drive" aside={<HowFound explanation={explainDrive(design)} />}>
      {forcedBeta !== null && (
        <>
          <Fact name="Forced β" value={beta(forcedBeta)} note={`${minBeta} guaranteed`} />
          <Fact name="Base current at most" value={amps(baseAmps)} />
        </>
      )}
      {gateVolts !== null && part.kind === 'nmos' && (
        <Fact
          name="Gate at most"
          value={volts(gateVolts)}
          note={`threshold ${volts(part.minThresholdVolts)} to ${volts(part.maxThresholdVolts)}`}
        />
      )}
      <Fact name="Left at the switch" value={volts(drive.saturationVolts)} note="fully on, weakest part" />
      <p className="soft">
        {saturates
          ? `Even the weakest transistor of this kind carries ${amps(guaranteedAmps)} of the ${amps(fullAmps)}: the load is held fully on.`
          : `The weakest transistor of this kind carries only ${amps(guaranteedAmps)} of the ${amps(fullAmps)}: the load may stay dim.`}
      </p>
    </Panel>
  );
}
