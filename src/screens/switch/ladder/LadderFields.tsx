'use client';

import { Button } from 'antd';
import { changeSteps } from '@/core/size/changeSteps';
import { sizeDetector } from '@/core/size/resize';
import { changeDetector } from '@/core/project/detectorEdits';
import { together } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { inOrderOfComing } from '@/core/detectors/ladder/definition';
import { shippedComparators } from '@/core/parts/kinds/comparator';
import { partWith } from '@/core/parts/find';
import type { LadderSettings } from '@/core/detectors/ladder/settings';
import { LADDER_STEPS } from '@/core/detectors/ladder/settings';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { WholeField } from '@/ui/fields/WholeField';
import { useApply, useScale } from '@/ui/workbench/context';
import { comparatorName } from '@/ui/words/names';
import { partOhms } from '@/ui/words/figures';
import type { Design } from '@/core/design';
import { comparatorFigures, ofOutput } from '../CustomIcModal';
import { EdgeBandFields } from '../EdgeBandFields';
import { PartSelect } from '../PartSelect';
import { outputKinds } from '@/core/parts/base';
import styles from '../Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

const sorts = [
  { value: 'fill', label: switchWords.allUpTo },
  { value: 'dot', label: switchWords.onlyTheOne },
] as const;
const ways = [
  { value: 'light', label: switchWords.moreLight },
  { value: 'dark', label: switchWords.lessLight },
] as const;

/** Steps lie at least this far apart, as a ratio of lights. */
const APART = 1.02;

/** What a step's light may be: between its neighbours, so that none changes its place in silence. */
function limitsOfStep(stepLux: readonly number[], index: number) {
  const rounded = (lux: number) => Number(lux.toPrecision(3));
  const [below, above] = [stepLux[index - 1], stepLux[index + 1]];
  return {
    min: below === undefined ? LIMITS.light.min : rounded(below * APART),
    max: above === undefined ? LIMITS.light.max : rounded(above / APART),
  };
}

interface LadderFieldsProps {
  readonly design: Design;
  readonly settings: LadderSettings;
}

/** A ladder: how many steps, at which lights, and the string between them. */
export function LadderFields({ design, settings }: LadderFieldsProps) {
  const apply = useApply();
  const scale = useScale();
  const { stepLux, stringOhms, shows } = settings;
  const steps = stepLux.length;
  const parts = shippedComparators.filter(({ kind }) => shows === 'fill' || kind === 'push-pull');
  const setCount = (count: number) => {
    const last = stepLux[steps - 1] ?? 100;
    const ratio = steps > 1 ? last / (stepLux[steps - 2] ?? last / 2) : 2;
    const next = Array.from({ length: count }, (_, index) =>
      index < steps ? (stepLux[index] ?? 1) : Number((last * ratio ** (index - steps + 1)).toPrecision(2)),
    );
    apply(together(changeSteps(next), sizeDetector));
  };
  const setShows = (value: LadderSettings['shows']) => {
    const part =
      value === 'dot' && settings.part.kind !== 'push-pull'
        ? shippedComparators.find(({ kind }) => kind === 'push-pull')
        : undefined;
    apply(changeDetector('ladder', { shows: value, ...(part ? { part } : {}) }));
  };
  return (
    <>
      <PartSelect
        part={settings.part}
        offered={parts}
        nameOf={comparatorName}
        figures={comparatorFigures}
        outputs={shows === 'fill' ? outputKinds : ['push-pull']}
        asOffered={ofOutput(shows === 'fill' ? outputKinds : ['push-pull'])}
        onTake={(part) => apply(changeDetector('ladder', { part }))}
      />
      <WholeField label={switchWords.steps} value={steps} limits={LADDER_STEPS} onCommit={setCount} />
      <ChoiceField
        label={switchWords.moreComeWith}
        value={settings.moreIn}
        options={ways}
        onChange={(moreIn) => apply(together(changeDetector('ladder', { moreIn }), changeSteps(stepLux)))}
      />
      <ChoiceField label={switchWords.shows} value={shows} options={sorts} onChange={setShows} />
      {inOrderOfComing(settings).map(({ lux, index, step }) => (
        <QuantityField
          key={index}
          label={`Step ${step} at`}
          unit={scale === 'lux' ? 'lx' : '×'}
          value={lux}
          limits={limitsOfStep(stepLux, index)}
          onCommit={(value) => apply(changeSteps(stepLux.map((each, at) => (at === index ? value : each))))}
        />
      ))}
      {partWith(design.assembly.parts, 'pull-up') && (
        <QuantityField
          label={switchWords.pullUpOfEach}
          unit="Ω"
          value={settings.pullUpOhms}
          limits={LIMITS.detectorOhms}
          onCommit={(pullUpOhms) => apply(changeDetector('ladder', { pullUpOhms }))}
        />
      )}
      <EdgeBandFields
        design={design}
        hysteresis={settings.hysteresis}
        names={stepLux.map((_, index) => `step ${index + 1}`)}
      />
      <span className={styles.progress}>
        <Button onClick={() => apply(sizeDetector)}>{switchWords.findTheString}</Button>
        <Button
          onClick={() =>
            apply(changeDetector('ladder', { stringOhms: stringOhms.map(() => stringOhms[0] ?? 10_000) }))
          }
        >
          {switchWords.equalResistors}
        </Button>
      </span>
      <p className="soft">
        From the supply down: <span className="figures">{stringOhms.map(partOhms).join(' · ')}</span>
      </p>
    </>
  );
}
