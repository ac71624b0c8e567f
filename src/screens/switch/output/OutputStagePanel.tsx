'use client';

import { changeOutputStage } from '@/core/project/detectorEdits';
import { detectorDefinition } from '@/core/detectors/registry';
import { outputStageKinds, startingStage } from '@/core/detectors/outputStage/outputStage';
import { timedBy } from '@/core/detectors/outputStage/oneShot';
import type { OutputStage } from '@/core/detectors/outputStage/outputStage';
import { Panel } from '@/ui/common/Panel';
import { SelectField } from '@/ui/fields/SelectField';
import { useApply, useProject } from '@/ui/workbench/context';
import { outputStageNames } from '@/ui/words/names';
import { CountedFields } from './CountedFields';
import { PulseFields } from './PulseFields';
import { TimerSelect } from './TimerSelect';
import { switchWords } from '@/ui/words/panels/switch';

const kinds = outputStageKinds.map((value) => ({
  value,
  label: outputStageNames[value],
}));
const notes: Readonly<Record<OutputStage['kind'], string>> = {
  direct: 'The output drives the switch or the load as it is.',
  inverted:
    'A gate turns the output over: for a module with an active-low input, or to let the same wiring do the opposite.',
  'one-shot': 'Each time it turns on, a timer IC makes one pulse.',
  counted:
    'Each time it turns on the load is on for that time, whatever the light does meanwhile, and then off until it turns on anew: a counter counts the turns of an oscillator. As the supply comes on it may run once.',
  toggle:
    'Each time it turns on, a latch changes the load over: on, off, on. The strips show it as it stands after an odd one.',
};

/** What comes between the detector and what it drives. */
export function OutputStagePanel() {
  const apply = useApply();
  const { outputStage, detector, divider } = useProject();
  const definition = detectorDefinition(detector);
  if (!definition.takesOutputStage || !definition.output(detector)) return null;
  return (
    <Panel title={switchWords.output}>
      <SelectField
        label={switchWords.outputIs}
        value={outputStage.kind}
        options={kinds}
        onChange={(kind) => apply(changeOutputStage(startingStage(kind, divider.supplyVolts)))}
      />
      {outputStage.kind === 'one-shot' && (
        <>
          <TimerSelect
            part={outputStage.part}
            onTake={(part) => apply(changeOutputStage({ ...outputStage, part }))}
          />
          <PulseFields
            pulse={{ ...outputStage, ...timedBy(outputStage.part) }}
            onChange={(pulse) => apply(changeOutputStage({ ...outputStage, ...pulse }))}
          />
        </>
      )}
      {outputStage.kind === 'counted' && (
        <CountedFields
          counted={outputStage}
          onChange={(counted) => apply(changeOutputStage({ kind: 'counted', ...counted }))}
        />
      )}
      <p className="soft">{notes[outputStage.kind]}</p>
    </Panel>
  );
}
