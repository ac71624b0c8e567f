'use client';

import { changeOutput } from '@/core/project/detectorEdits';
import { driveThrough } from '@/core/size/driveThrough';
import { LIMITS } from '@/core/project/project';
import type { DetectorOutput } from '@/core/detectors/fields';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useApply } from '@/ui/workbench/context';
import { switchWords } from '@/ui/words/panels/switch';

const targets = [
  { value: 'transistor', label: switchWords.aTransistor },
  { value: 'load', label: switchWords.theLoadDirect },
] as const;
const rails = [
  { value: 'supply', label: switchWords.plusAndOutput },
  { value: 'ground', label: switchWords.outputAnd0 },
] as const;

interface OutputFieldsProps {
  readonly output: DetectorOutput;
  /** What may be chosen of it. */
  readonly choices: { readonly transistor: boolean; readonly rail: boolean };
  /** One of several outputs, all alike. */
  readonly isEach: boolean;
}

/** What a detector's output drives. */
export function OutputFields({ output, choices, isEach }: OutputFieldsProps) {
  const apply = useApply();
  const { to, loadRail, releaseOhms } = output;
  return (
    <>
      {choices.transistor && (
        <ChoiceField
          label={switchWords.outputInto}
          value={to}
          options={targets}
          onChange={(value) => apply(driveThrough(value))}
        />
      )}
      {to === 'load' ? (
        choices.rail && (
          <ChoiceField
            label={switchWords.loadBetween}
            value={loadRail}
            options={rails}
            onChange={(value) => apply(changeOutput({ loadRail: value }))}
          />
        )
      ) : (
        <OptionalQuantity
          label={isEach ? switchWords.baseToEmitterOfEach : switchWords.baseToEmitter}
          unit="Ω"
          value={releaseOhms}
          limits={LIMITS.detectorOhms}
          onCommit={(value) => apply(changeOutput({ releaseOhms: value }))}
        />
      )}
    </>
  );
}
