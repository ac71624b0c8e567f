'use client';

import type { Design } from '@/core/design';
import { resized } from '@/core/size/resize';
import { changeDetector } from '@/core/project/detectorEdits';
import { LIMITS } from '@/core/project/project';
import { timedBy } from '@/core/detectors/outputStage/oneShot';
import { controlShare } from '@/core/parts/kinds/timer';
import type { TimerSettings } from '@/core/detectors/timer/definition';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { percent, ratio } from '@/ui/words/figures';
import { PulseFields } from '../output/PulseFields';
import { TimerSelect } from '../output/TimerSelect';
import { switchWords } from '@/ui/words/panels/switch';

const matters = [
  { value: 'on', label: switchWords.turnsOn },
  { value: 'off', label: switchWords.turnsOff },
] as const;
const modes = [
  { value: 'switch', label: 'switch' },
  { value: 'pulse', label: 'one-shot' },
] as const;
const DEFAULT_PULSE = { ohms: 1_000_000, farads: 1e-6 } as const;
const rails = [
  { value: 'ground', label: '0 V' },
  { value: 'supply', label: 'plus' },
] as const;

interface TimerFieldsProps {
  readonly design: Design;
  readonly settings: TimerSettings;
}

/** A timer IC: which of its two lights the goal is, and what moves both. */
export function TimerFields({ design, settings }: TimerFieldsProps) {
  const apply = useApply();
  const light = useLightText();
  const { part, control } = settings;
  const { ldrSide } = useProject().divider;
  const { thresholds } = design;
  const share = controlShare(part, control);
  const other = settings.matters === 'on' ? thresholds?.turnOff : thresholds?.turnOn;
  return (
    <>
      <TimerSelect
        part={part}
        onTake={(taken) => apply((project) => resized(changeDetector('timer', { part: taken })(project)))}
      />
      {!settings.pulse && (
        <ChoiceField
          label={switchWords.theGoalIs}
          value={settings.matters}
          options={matters}
          onChange={(value) =>
            apply((project) => resized(changeDetector('timer', { matters: value })(project)))
          }
        />
      )}
      <OptionalQuantity
        label={switchWords.atTheControl}
        unit="Ω"
        value={control?.ohms ?? null}
        limits={LIMITS.detectorOhms}
        onCommit={(ohms) =>
          apply(
            changeDetector('timer', {
              control: ohms === null ? null : { ohms, to: control?.to ?? 'ground' },
            }),
          )
        }
      />
      {control && (
        <ChoiceField
          label={switchWords.r26LeadsTo}
          value={control.to}
          options={rails}
          onChange={(to) => apply(changeDetector('timer', { control: { ...control, to } }))}
        />
      )}
      <ChoiceField
        label={switchWords.itIsA}
        value={settings.pulse ? 'pulse' : 'switch'}
        options={modes}
        onChange={(mode) =>
          apply((project) =>
            resized(changeDetector('timer', { pulse: mode === 'pulse' ? DEFAULT_PULSE : null })(project)),
          )
        }
      />
      {settings.pulse && (
        <PulseFields
          pulse={{ ...settings.pulse, ...timedBy(part, share) }}
          onChange={(pulse) => apply(changeDetector('timer', { pulse }))}
        />
      )}
      <p className="soft">
        {settings.pulse
          ? `It starts as the midpoint falls to ${control ? percent(share / 2) : '⅓'} of the supply: when it gets ${ldrSide === 'bottom' ? 'brighter (LDR below)' : 'darker (LDR above)'}.`
          : thresholds?.bandRatio && other?.ok
            ? `The other light follows: it ${settings.matters === 'on' ? 'turns off' : 'turns on'} at ${light(other.lux)}, ${ratio(thresholds.bandRatio)} away. ${settings.control ? switchWords.controlMovesBoth : switchWords.ratioIsTheLdrs}`
            : settings.control
              ? switchWords.controlMovesBoth
              : switchWords.ratioIsFour}
      </p>
    </>
  );
}
