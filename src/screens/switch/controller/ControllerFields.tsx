'use client';

import { Button } from 'antd';
import { useMemo } from 'react';
import { controllerFacts } from '@/core/detectors/controller/codes';
import type { CodeFacts } from '@/core/detectors/controller/codes';
import { benchOf } from '@/core/analyse/bench';
import { sizeDetector } from '@/core/size/resize';
import { changeDetector } from '@/core/project/detectorEdits';
import { changeGoal } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { CONTROLLER_LIMITS } from '@/core/detectors/controller/definition';
import type { ControllerSettings } from '@/core/detectors/controller/definition';
import { Fact } from '@/ui/common/Panel';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { QuantityField } from '@/ui/fields/QuantityField';
import { WholeField } from '@/ui/fields/WholeField';
import { useApply, useLightText, useProject, useScale } from '@/ui/workbench/context';
import { partOhms, volts } from '@/ui/words/figures';
import { switchWords } from '@/ui/words/panels/switch';

const whens = [
  { value: 'above', label: switchWords.atOrAbove },
  { value: 'below', label: switchWords.atOrBelow },
] as const;

/** A microcontroller: converter, codes, and what its program does with them. */
export function ControllerFields({ settings }: { readonly settings: ControllerSettings }) {
  const apply = useApply();
  const project = useProject();
  const light = useLightText();
  const scale = useScale();
  const facts = useMemo(() => controllerFacts(settings, benchOf(project)), [settings, project]);
  const change = (part: Partial<ControllerSettings>) => apply(changeDetector('controller', part));
  const codes = { min: 0, max: 2 ** settings.bits - 1 };
  const about = ({ volts: at, lightPerCode, wanderLight }: CodeFacts) =>
    `${volts(at)}, ${light(lightPerCode)} per code, wanders ±${light(wanderLight)}`;
  return (
    <>
      <OptionalQuantity
        label={project.goal.action === 'on-in-dark' ? 'Off again above' : 'Off again below'}
        unit={scale === 'lux' ? 'lx' : '×'}
        value={project.goal.offLux}
        limits={LIMITS.light}
        whenEmpty="not set"
        onCommit={(offLux) => apply(changeGoal({ offLux }))}
      />
      <span>
        <Button onClick={() => apply(sizeDetector)}>{switchWords.useTheCodes}</Button>
      </span>
      <ChoiceField
        label={switchWords.onWhileThe}
        value={settings.onWhen}
        options={whens}
        onChange={(onWhen) => change({ onWhen })}
      />
      <WholeField
        label={switchWords.onCode}
        value={settings.onCode}
        limits={codes}
        onCommit={(onCode) => change({ onCode })}
      />
      <WholeField
        label={switchWords.offCode}
        value={settings.offCode}
        limits={codes}
        onCommit={(offCode) => change({ offCode })}
      />
      <WholeField
        label={switchWords.bits}
        value={settings.bits}
        limits={CONTROLLER_LIMITS.bits}
        onCommit={(bits) => change({ bits })}
      />
      <OptionalQuantity
        label={switchWords.fullScale}
        unit="V"
        value={settings.refVolts}
        limits={CONTROLLER_LIMITS.refVolts}
        whenEmpty="its supply"
        onCommit={(refVolts) => change({ refVolts })}
      />
      <WholeField
        label={switchWords.readingsAveraged}
        value={settings.samples}
        limits={CONTROLLER_LIMITS.samples}
        onCommit={(samples) => change({ samples })}
      />
      <QuantityField
        label={switchWords.staysOnAt}
        unit="s"
        value={settings.minOnSeconds}
        limits={CONTROLLER_LIMITS.minOnSeconds}
        onCommit={(minOnSeconds) => change({ minOnSeconds })}
      />
      <QuantityField
        label={switchWords.aPinGives}
        unit="A"
        value={settings.maxPinAmps}
        limits={CONTROLLER_LIMITS.maxPinAmps}
        onCommit={(maxPinAmps) => change({ maxPinAmps })}
      />
      {facts && (
        <>
          <Fact name="Code at the goal" value={facts.on.code} note={about(facts.on)} />
          <Fact name="Where it turns off" value={facts.off.code} note={about(facts.off)} />
          <Fact name="The pin sees" value={partOhms(facts.sourceOhms)} note="up to 10 kΩ is quick" />
        </>
      )}
    </>
  );
}
