'use client';

import { areStarved } from '@/core/operate/onAmps';
import type { Step } from '@/core/advise/advice';
import type { Design } from '@/core/design';
import type { SwitchPoint } from '@/core/light/crossing';
import { namedOhmsAt } from '@/core/readings/named';
import { HowFound } from '@/ui/common/HowFound';
import { NextStep } from '@/ui/common/NextStep';
import { Fact, Panel } from '@/ui/common/Panel';
import { useLightText, useProject, useScale } from '@/ui/workbench/context';
import { amps, beta, ratio, volts } from '@/ui/words/figures';
import { betweenReadings } from '@/ui/words/light';
import { explainDrive, explainPoints } from '@/ui/words/howFound';
import { noBandText } from '@/ui/words/keyFigures';
import { DetectorPanel } from './DetectorPanel';
import { OutputStagePanel } from './output/OutputStagePanel';
import { detectorScreen } from './detectors';
import { TransistorFields } from './TransistorFields';
import { switchWords } from '@/ui/words/panels/switch';

interface StepPanelProps {
  readonly design: Design;
  readonly onGo: (step: Step) => void;
}

/** Step 3: what switches, where, how softly, and whether its drive saturates it. */
export function SwitchPanel({ design, onGo }: StepPanelProps) {
  const { detector } = useProject();
  const { Thresholds } = detectorScreen(detector);
  return (
    <>
      <DetectorPanel design={design} />
      <OutputStagePanel />
      {design.assembly.driver && <TransistorFields />}
      {design.thresholds ? (
        <Thresholds settings={detector} design={design} thresholds={design.thresholds} />
      ) : (
        <PointsPanel design={design} />
      )}
      {design.assembly.driver && <ForcePanel design={design} />}
      <NextStep step="drive" onGo={onGo} />
    </>
  );
}

function PointsPanel({ design }: { readonly design: Design }) {
  const { justOff, half, fullyOn, softBandRatio } = design;
  return (
    <Panel title={switchWords.whereItSwitches} aside={<HowFound explanation={explainPoints(design)} />}>
      <PointFact name="Just off (1 %)" point={justOff} />
      <PointFact name="Half on" point={half} />
      <PointFact name="Fully on (90 %)" point={fullyOn} />
      <Fact
        name="Transition band"
        value={softBandRatio === null ? '–' : ratio(softBandRatio)}
        note={softBandRatio === null ? noBandText(design) : 'in light, from just off to fully on'}
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
  const { baseAmps, forcedBeta, minBeta, gateVolts, saturates, switches } = drive;
  const [guaranteedAmps, fullAmps] = [drive.guaranteedAmps / switches, drive.fullAmps / switches];
  const project = useProject();
  const { part } = project.driver;
  return (
    <Panel title={switchWords.drive} aside={<HowFound explanation={explainDrive(project, design)} />}>
      {forcedBeta !== null && (
        <>
          <Fact name="Forced β" value={beta(forcedBeta)} note={`${minBeta} guaranteed`} />
          <Fact name="Base current, maximum" value={amps(baseAmps)} />
        </>
      )}
      {gateVolts !== null && 'onOhms' in part && (
        <Fact
          name="Gate, maximum"
          value={volts(gateVolts)}
          note={`threshold ${volts(part.minThresholdVolts)} to ${volts(part.maxThresholdVolts)}`}
        />
      )}
      <Fact name="Left at the switch" value={volts(drive.saturationVolts)} note="fully on, weakest part" />
      <p className="soft">
        {areStarved(design.loads)
          ? `With the switch driven hard ${switches > 1 ? 'each' : 'the'} load gets ${amps(fullAmps)}, next to nothing: no stronger switch changes that.`
          : saturates
            ? `Even the weakest transistor of this kind carries ${amps(guaranteedAmps)} of the ${amps(fullAmps)}: ${switches > 1 ? 'its' : 'the'} load is fully on.`
            : `The weakest transistor of this kind carries only ${amps(guaranteedAmps)} of the ${amps(fullAmps)}: ${switches > 1 ? 'its' : 'the'} load may stay dim.`}
      </p>
    </Panel>
  );
}
