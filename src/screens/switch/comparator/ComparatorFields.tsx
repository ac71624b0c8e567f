'use client';

import type { Design } from '@/core/design';
import { changeDetector } from '@/core/project/detectorEdits';
import { LIMITS } from '@/core/project/project';
import { shippedComparators } from '@/core/parts/kinds/comparator';
import type { ComparatorSettings } from '@/core/detectors/comparator/settings';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply } from '@/ui/workbench/context';
import { comparatorName } from '@/ui/words/names';
import { outputKinds } from '@/core/parts/base';
import { comparatorFigures, ofOutput } from '../CustomIcModal';
import { PartSelect } from '../PartSelect';
import { FourWays } from './FourWays';
import { ReferenceFields } from './ReferenceFields';
import { switchWords } from '@/ui/words/panels/switch';

const supplies = [
  { value: 'single', label: 'single' },
  { value: 'split', label: switchWords.supply2 },
] as const;

interface ComparatorFieldsProps {
  readonly design: Design;
  readonly settings: ComparatorSettings;
}

/** A comparator's part, wiring, reference and feedback. */
export function ComparatorFields({ design, settings }: ComparatorFieldsProps) {
  const apply = useApply();
  const { part, sensorInput, feedbackOhms, sensorOhms, pullUpOhms, negativeVolts } = settings;
  const supplyVolts = design.assembly.rails[0]?.volts ?? 5;
  return (
    <>
      <PartSelect
        part={part}
        offered={shippedComparators}
        nameOf={comparatorName}
        figures={comparatorFigures}
        outputs={outputKinds}
        asOffered={ofOutput(outputKinds)}
        onTake={(taken) => apply(changeDetector('comparator', { part: taken }))}
      />
      <FourWays settings={settings} />
      <ReferenceFields design={design} settings={settings} />
      <OptionalQuantity
        label={switchWords.feedbackR23}
        unit="Ω"
        value={feedbackOhms}
        limits={LIMITS.detectorOhms}
        onCommit={(value) => apply(changeDetector('comparator', { feedbackOhms: value }))}
      />
      {sensorInput === 'plus' && (
        <OptionalQuantity
          label={switchWords.midpointToR24}
          unit="Ω"
          value={sensorOhms}
          limits={LIMITS.detectorOhms}
          onCommit={(value) => apply(changeDetector('comparator', { sensorOhms: value }))}
        />
      )}
      {part.kind === 'open-collector' && (
        <QuantityField
          label={switchWords.pullUpR25}
          unit="Ω"
          value={pullUpOhms}
          limits={LIMITS.detectorOhms}
          onCommit={(value) => apply(changeDetector('comparator', { pullUpOhms: value }))}
        />
      )}
      <ChoiceField
        label={switchWords.supply}
        value={negativeVolts > 0 ? 'split' : 'single'}
        options={supplies}
        onChange={(value) =>
          apply(
            changeDetector('comparator', {
              negativeVolts: value === 'split' ? Math.min(30, supplyVolts) : 0,
            }),
          )
        }
      />
      {negativeVolts > 0 && (
        <QuantityField
          label={switchWords.lowerRailBelow}
          unit="V"
          value={negativeVolts}
          limits={{ min: 0.5, max: LIMITS.negativeVolts.max }}
          onCommit={(value) => apply(changeDetector('comparator', { negativeVolts: value }))}
        />
      )}
    </>
  );
}
