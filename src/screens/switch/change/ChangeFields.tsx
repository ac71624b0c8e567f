'use client';

import { precise } from '@/core/quantity/notation';
import { useMemo } from 'react';
import { benchOf } from '@/core/analyse/bench';
import { changeFacts, LEAST_DIMMING, type ChangeFacts } from '@/core/detectors/change/facts';
import { changeDetector } from '@/core/project/detectorEdits';
import { CHANGE_LIMITS } from '@/core/detectors/change/settings';
import { shippedComparators } from '@/core/parts/kinds/comparator';
import type { ChangeSettings } from '@/core/detectors/change/settings';
import { Fact } from '@/ui/common/Panel';
import { QuantityField } from '@/ui/fields/QuantityField';
import { WholeField } from '@/ui/fields/WholeField';
import { useApply, useProject } from '@/ui/workbench/context';
import { comparatorName } from '@/ui/words/names';
import { percent, volts } from '@/ui/words/figures';
import { timeText } from '@/ui/words/time';
import { comparatorFigures, ofOutput } from '../CustomIcModal';
import { PartSelect } from '../PartSelect';
import { outputKinds } from '@/core/parts/base';
import { switchWords } from '@/ui/words/panels/switch';

/** What resistors in stock make has more digits than anyone reads. */
const shown = (value: number) => Number(value.toPrecision(4));

/** A change detector: its capacitor and gain, the change that should fire it, and what else would. */
export function ChangeFields({ settings }: { readonly settings: ChangeSettings }) {
  const apply = useApply();
  const project = useProject();
  const facts = useMemo(() => changeFacts(settings, benchOf(project)), [settings, project]);
  const change = (part: Partial<ChangeSettings>) => apply(changeDetector('change', part));
  const dims = project.divider.ldrSide === 'bottom';
  return (
    <>
      <PartSelect
        part={settings.part}
        offered={shippedComparators}
        nameOf={comparatorName}
        figures={comparatorFigures}
        outputs={outputKinds}
        asOffered={ofOutput(outputKinds)}
        onTake={(part) => change({ part })}
      />
      <QuantityField
        label={switchWords.couplingCapacitorC1}
        unit="F"
        value={settings.farads}
        limits={CHANGE_LIMITS.farads}
        onCommit={(farads) => change({ farads })}
      />
      <QuantityField
        label={switchWords.to0V}
        unit="Ω"
        value={settings.biasOhms}
        limits={CHANGE_LIMITS.biasOhms}
        onCommit={(biasOhms) => change({ biasOhms })}
      />
      <QuantityField
        label={switchWords.gain}
        unit="×"
        value={shown(settings.gain)}
        limits={CHANGE_LIMITS.gain}
        onCommit={(gain) => change({ gain })}
      />
      <QuantityField
        label={switchWords.trigger}
        unit="V"
        value={shown(settings.triggerVolts)}
        limits={{ ...CHANGE_LIMITS.triggerVolts, max: project.divider.supplyVolts * 0.95 }}
        onCommit={(triggerVolts) => change({ triggerVolts })}
      />
      <WholeField
        label={dims ? 'Fires when it dims by, %' : 'Fires when it brightens by, %'}
        value={Math.round(settings.dimming * 100)}
        limits={{ min: 1, max: 99 }}
        onCommit={(value) => change({ dimming: value / 100 })}
      />
      <QuantityField
        label={switchWords.within}
        unit="s"
        value={settings.seconds}
        limits={CHANGE_LIMITS.seconds}
        onCommit={(seconds) => change({ seconds })}
      />
      <WholeField
        label={switchWords.rippleOfIts}
        value={Math.round(settings.rippleShare * 100)}
        limits={{ min: 0, max: 200 }}
        onCommit={(value) => change({ rippleShare: value / 100 })}
      />
      {facts && (
        <>
          <Fact
            name="That change makes"
            value={volts(facts.peakVolts)}
            note={`behind the gain: ${firesText(settings, facts)}`}
          />
          <Fact
            name="Least change"
            value={leastText(facts)}
            note={facts.minDimming === null ? 'fires it in that time' : 'in that time'}
          />
          <Fact
            name="Slowest"
            value={facts.slowestSeconds === null ? 'none' : timeText(facts.slowestSeconds)}
            note={facts.slowestSeconds === null ? 'however fast' : 'for that change'}
          />
          {facts.fires && (
            <Fact
              name="Fired for"
              value={Number.isFinite(facts.firedSeconds) ? timeText(facts.firedSeconds) : 'ever'}
              note="by that change"
            />
          )}
          <Fact
            name="Gain it takes"
            value={facts.neededGain === null ? '–' : `×${precise(facts.neededGain, 3)}`}
            note={`τ ${timeText(facts.timeConstant)}`}
          />
          <Fact name="In steady light" value={volts(facts.maxRestVolts)} note={restText(settings, facts)} />
          <Fact
            name="The lamp’s ripple"
            value={volts(facts.rippleVolts)}
            note={facts.rippleFires ? 'fires it in steady light' : 'does not fire it'}
          />
        </>
      )}
      <p className="soft">
        Worked out from the goal’s light. Which way it fires is the LDR’s side:{' '}
        {dims ? 'below, so it fires on dimming' : 'above, so it fires on brightening'}. In steady light the
        capacitor passes nothing.
      </p>
    </>
  );
}

function firesText({ triggerVolts }: ChangeSettings, { fires, restVolts }: ChangeFacts): string {
  if (restVolts >= triggerVolts) return 'it is fired all the time';
  return fires ? 'it fires' : 'it does not fire';
}

/** The voltage is that with the most offset an amplifier may have: not every one has it. */
function restText({ triggerVolts }: ChangeSettings, { restVolts, maxRestVolts }: ChangeFacts): string {
  if (restVolts >= triggerVolts) return 'at most: it fires';
  return `at most: ${maxRestVolts >= triggerVolts ? 'it may fire' : 'it does not fire'}`;
}

function leastText({ minDimming }: ChangeFacts): string {
  if (minDimming === null) return 'none';
  return minDimming <= LEAST_DIMMING ? `under ${percent(LEAST_DIMMING, 1)}` : percent(minDimming, 1);
}
