'use client';

import { inOrderOfComing } from '@/core/detectors/ladder/definition';
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
      {inOrderOfComing(settings).map(({ lux: wanted, index, step }) => {
        const { rising, falling, risingVolts, fallingVolts } = thresholds.boundaries[index] ?? {};
        const [comes, goes, midVolts] =
          settings.moreIn === 'light' ? [rising, falling, risingVolts] : [falling, rising, fallingVolts];
        const back = settings.hysteresis && goes?.ok ? ` · goes at ${light(goes.lux)}` : '';
        return (
          <Fact
            key={index}
            name={`Step ${step}`}
            value={comes?.ok ? light(comes.lux) : 'never'}
            note={`wanted ${light(wanted)}${back}${midVolts ? ` · A ${volts(midVolts)}` : ''}`}
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
