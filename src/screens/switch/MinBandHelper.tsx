'use client';

import { Button } from 'antd';
import { useState } from 'react';
import type { Design } from '@/core/design';
import { bandGoal } from '@/core/size/hysteresis';
import { wantedBand } from '@/core/size/wantedBand';
import { detectorDefinition } from '@/core/detectors/registry';
import { Fact } from '@/ui/common/Panel';
import { WholeField } from '@/ui/fields/WholeField';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { ratio } from '@/ui/words/figures';
import styles from './Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

/** How wide a band must be so that shadows, a lamp's ripple and the load's own light do not make it chatter. */
export function MinBandHelper({ design }: { readonly design: Design }) {
  const apply = useApply();
  const light = useLightText();
  const project = useProject();
  const { detector } = project;
  const [shadow, setShadow] = useState(20);
  const [ripple, setRipple] = useState(30);
  const { minRatio, askedRatio, offLux } = wantedBand(project, {
    shadowShare: shadow / 100,
    rippleShare: ripple / 100,
  });
  const present = design.thresholds?.bandRatio ?? null;
  return (
    <div className={styles.form}>
      <div className={styles.ask}>
        <WholeField
          label={switchWords.aShadowTakes}
          value={shadow}
          limits={{ min: 0, max: 95 }}
          onCommit={setShadow}
        />
        <WholeField
          label={switchWords.lampsRipple}
          value={ripple}
          limits={{ min: 0, max: 200 }}
          onCommit={setRipple}
        />
      </div>
      <Fact name="Least band" value={ratio(minRatio)} note={`off again at ${light(offLux)}`} />
      {present !== null && (
        <Fact
          name="Present band"
          value={present < 1.0005 ? 'none' : ratio(present)}
          note={present >= minRatio ? 'wide enough' : 'too narrow'}
        />
      )}
      <p className="soft">{switchWords.filamentLampsRipple}</p>
      {detectorDefinition(detector).goal.asksOff && (
        <span>
          <Button onClick={() => apply(bandGoal(askedRatio))}>{switchWords.askForThis}</Button>
        </span>
      )}
    </div>
  );
}
