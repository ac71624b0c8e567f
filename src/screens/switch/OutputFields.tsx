'use client';

import { changeOutput } from '@/core/project/detectorEdits';
import { LIMITS } from '@/core/project/project';
import type { DetectorOutput } from '@/core/detectors/fields';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useApply } from '@/ui/workbench/context';

const targets = [
  { value: 'transistor', label: 'a transistor' },
  { value: 'load', label: 'the load, direct' },
] as const;
const rails = [
  { value: 'supply', label: 'plus and output' },
  { value: 'ground', label: 'output and 0 V' },
] as const;

interface OutputFieldsProps {
  readonly output: DetectorOutput;
}

/** What a detector's output drives. */
export function OutputFields({ output }: OutputFieldsProps) {
  const apply = useApply();
  const { to, loadRail, releaseOhms } = output;
  return (
    <>
      <ChoiceField
        label="Output into"
        value={to}
        options={targets}
        onChange={(value) => apply(changeOutput({ to: value }))}
      />
      {to === 'load' ? (
        <ChoiceField
          label="Load between"
          value={loadRail}
          options={rails}
          onChange={(value) => apply(changeOutput({ loadRail: value }))}
        />
      ) : (
        <OptionalQuantity
          label="Base to emitter R6"
          unit="Ω"
          value={releaseOhms}
          limits={LIMITS.detectorOhms}
          onCommit={(value) => apply(changeOutput({ releaseOhms: value }))}
        />
      )}
    </>
  );
}
