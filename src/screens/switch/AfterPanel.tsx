'use client';

import { changeAfter } from '@/core/project/deciderEdits';
import { afterKinds, type After } from '@/core/stages/after';
import { Panel } from '@/ui/common/Panel';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { useApply, useProject } from '@/ui/workbench/context';
import { afterNames } from '@/ui/words/deciding';
import { PulseFields } from './PulseFields';

const kinds = afterKinds.map((value) => ({
  value,
  label: value === 'one-shot' ? 'pulse' : afterNames[value],
}));
const usual: Readonly<Record<After['kind'], After>> = {
  straight: { kind: 'straight' },
  inverted: { kind: 'inverted' },
  'one-shot': { kind: 'one-shot', ohms: 1_000_000, farads: 1e-6 },
  toggle: { kind: 'toggle' },
};
const notes: Readonly<Record<After['kind'], string>> = {
  straight: 'The output drives the switch or the load as it is.',
  inverted:
    'A gate turns the output over: for a module with an active-low input, or to let the same wiring do the opposite.',
  'one-shot': 'Each time it turns on, a timer IC makes one pulse.',
  toggle:
    'Each time it turns on, a latch changes the load over: on, off, on. The strips show it as it stands after an odd one.',
};

/** What comes between the decider and what it drives. */
export function AfterPanel() {
  const apply = useApply();
  const { after, decider } = useProject();
  if (decider.kind === 'transistor' || decider.kind === 'ladder') return null;
  return (
    <Panel title="After it">
      <ChoiceField
        label="Output goes"
        value={after.kind}
        options={kinds}
        onChange={(kind) => apply(changeAfter(usual[kind]))}
      />
      {after.kind === 'one-shot' && (
        <PulseFields pulse={after} onChange={(pulse) => apply(changeAfter({ kind: 'one-shot', ...pulse }))} />
      )}
      <p className="soft">{notes[after.kind]}</p>
    </Panel>
  );
}
