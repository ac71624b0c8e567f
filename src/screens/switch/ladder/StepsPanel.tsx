'use client';

import type { LadderSettings } from '@/core/detectors/ladder/settings';
import type { Thresholds } from '@/core/detectors/thresholds';
import { Fact, Panel } from '@/ui/common/Panel';
import { useLightText } from '@/ui/workbench/context';
import { amps, volts } from '@/ui/words/figures';
import { switchWords } from '@/ui/words/panels/switch';

/** Every step of a ladder: where it comes, and where it is wanted. */
export function StepsPanel({
  thresholds,
  settings,
}: {
  readonly thresholds: Thresholds;
  readonly settings: LadderSettings;
}) {
  const light = useLightText();
  return (
    <Panel title={switchWords.whereTheSteps}>
      {settings.stepLux.map((wanted, index) => {
        const rising = thresholds.boundaries[index]?.rising;
        const midVolts = thresholds.boundaries[index]?.risingVolts;
        return (
          <Fact
            key={index}
            name={`Step ${index + 1}`}
            value={rising?.ok ? light(rising.lux) : 'never'}
            note={`wanted ${light(wanted)}${midVolts ? ` · A ${volts(midVolts)}` : ''}`}
          />
        );
      })}
      <Fact
        name="An output carries"
        value={amps(thresholds.outputAmps)}
        note={`${amps(thresholds.maxOutputAmps)} allowed`}
      />
    </Panel>
  );
}
