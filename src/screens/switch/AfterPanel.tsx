'use client';

import { changeOutputStage } from '@/core/project/deciderEdits';
import { outputStageKinds, type OutputStage } from '@/core/stages/after';
import { Panel } from '@/ui/common/Panel';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { useApply, useProject } from '@/ui/workbench/context';
import { outputStageNames } from '@/ui/words/deciding';
import { PulseFields } from './PulseFields';

const kinds = outputStageKinds.map((value) => ({
  value,
  label: value === 'one-shot' ? 'pulse' : outputStageNames[value],
}));
const typical: Readonly<Record<OutputStage['kind'], OutputStage>> = {
  direct: { kind: 'direct' },
  inverted: { kind: 'inverted' },
  'one-shot': { kind: 'one-shot', ohms: 1_000_000, farads: 1e-6 },
  toggle: { kind: 'toggle' },
};
const notes: Readonly<Record<OutputStage['kind'], string>> = {
  direct: 'The output drives the switch or the load as it is.',
  inverted:
    'A gate turns the output over: for a module with an active-low input, or to let the same wiring do the opposite.',
  'one-shot': 'Each time it turns on, a timer IC makes one pulse.',
  toggle:
    'Each time it turns on, a latch changes the load over: on, off, on. The strips show it as it stands after an odd one.',
};

/** What comes between the decider and what it drives. */
export function OutputStagePanel() {
  const apply = useApply();
  const { outputStage, detector } = useProject();
  if (detector.kind === 'transistor' || detector.kind === 'ladder') return null;
  return (
    <Panel title="After it">
      <ChoiceField
        label="Output goes"
        value={outputStage.kind}
        options={kinds}
        onChange={(kind) => apply(changeOutputStage(typical[kind]))}
      />
      {outputStage.kind === 'one-shot' && (
        <PulseFields
          pulse={outputStage}
          onChange={(pulse) => apply(changeOutputStage({ kind: 'one-shot', ...pulse }))}
        />
      )}
      <p className="soft">{notes[outputStage.kind]}</p>
    </Panel>
  );
}
