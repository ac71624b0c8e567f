'use client';

import { WarningOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import type { Design } from '@/core/design';
import { beamFacts, defaultBeam } from '@/core/analyse/tripBeam';
import type { BeamFacts } from '@/core/analyse/tripBeam';
import { changeBeam } from '@/core/project/detectorEdits';
import { goalForBeam } from '@/core/size/goalForBeam';
import { LIMITS } from '@/core/project/project';
import { Fact } from '@/ui/common/Panel';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useLightText, useProject, useScale } from '@/ui/workbench/context';
import { ratio } from '@/ui/words/figures';
import { cautionTexts } from '@/ui/words/names';
import type { LightText } from '@/ui/words/light';
import styles from './Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

/** A beam onto the LDR: its contrast, the best threshold, and the brightest room in which it still works. */
export function BeamHelper({ design }: { readonly design: Design }) {
  const apply = useApply();
  const light = useLightText();
  const scale = useScale();
  const project = useProject();
  const { beam, goal } = project;
  const unit = scale === 'lux' ? 'lx' : '×';
  if (!beam) {
    return (
      <div className={styles.form}>
        <p className="soft">{switchWords.somethingShouldBe}</p>
        <span>
          <Button onClick={() => apply(changeBeam(defaultBeam(goal)))}>{switchWords.thereIsA}</Button>
        </span>
      </div>
    );
  }
  const facts = beamFacts(design, beam, project);
  // Where its own light alone keeps it as it is there is no margin to tell.
  const margin = (value: number | null) => (value === null || value === Infinity ? '–' : ratio(value));
  return (
    <div className={styles.form}>
      <div className={styles.ask}>
        <QuantityField
          label={switchWords.atTheLDR}
          unit={unit}
          value={beam.ambientLux}
          limits={LIMITS.light}
          onCommit={(ambientLux) => apply(changeBeam({ ...beam, ambientLux }))}
        />
        <QuantityField
          label={switchWords.theBeamAdds}
          unit={unit}
          value={beam.beamLux}
          limits={LIMITS.light}
          onCommit={(beamLux) => apply(changeBeam({ ...beam, beamLux }))}
        />
      </div>
      <p>
        <WarningOutlined aria-hidden /> {cautionTexts.beam}
      </p>
      <Fact name="Contrast" value={ratio(facts.contrast)} note="light with the beam to light without" />
      <Fact name="Best threshold" value={light(facts.bestLux)} note="as far from either" />
      <Fact
        name={facts.works ? 'It works' : 'It does not work'}
        value={`${margin(facts.brokenMargin)} · ${margin(facts.wholeMargin)}`}
        note="room when broken, when whole"
      />
      <Fact name="Works in rooms of" {...roomsText(facts, light, design.thresholds?.isWindow ?? false)} />
      <span className={styles.progress}>
        <Button onClick={() => apply(goalForBeam)}>{switchWords.putTheGoal}</Button>
        <Button onClick={() => apply(changeBeam(null))}>{switchWords.noBeam}</Button>
      </span>
      <p className="soft">{switchWords.aLampOr}</p>
    </div>
  );
}

/** The rooms in which a beam of this strength is told, and what limits them. */
function roomsText(facts: BeamFacts, light: LightText, isWindow: boolean) {
  const { minAmbientLux: min, maxAmbientLux: max } = facts;
  if (facts.brokenBelowLux === null || facts.wholeAboveLux === null)
    return { value: 'none', note: 'it does not switch' };
  if (facts.brokenBelowLux === 0) return { value: 'none', note: 'the load’s own light keeps it as it is' };
  const none = isWindow ? 'neither light alone lies in the window' : 'the beam does not bridge the band';
  if (min === null || max === null) return { value: 'none', note: none };
  if (isWindow)
    return {
      value: `${light(min)} to ${light(max)}`,
      note: 'there one of the two lights lies in the window',
    };
  if (min === 0) return { value: `up to ${light(max)}`, note: 'full dark among them' };
  return { value: `${light(min)} to ${light(max)}`, note: 'darker ones leave too little with the beam' };
}
