'use client';

import { Button } from 'antd';
import { useState } from 'react';
import type { Design } from '@/core/design/analysis';
import { bandGoal } from '@/core/design/hysteresis';
import { USUAL_DYNAMICS } from '@/core/ldr/dynamics';
import { leastBandRatio } from '@/core/light/leastBand';
import { Fact } from '@/ui/common/Panel';
import { WholeField } from '@/ui/fields/WholeField';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { ratio } from '@/ui/words/figures';
import styles from './Switch.module.css';

/** What real parts may fall short of. */
const IN_HAND = 1.03;

/** How wide a band must be so that shadows, a lamp's ripple and the load's own light do not make it chatter. */
export function LeastBandHelper({ design }: { readonly design: Design }) {
  const apply = useApply();
  const light = useLightText();
  const { goal, ownLux, decider, part } = useProject();
  const [shadow, setShadow] = useState(20);
  const [ripple, setRipple] = useState(30);
  const rise = part.riseSeconds ?? USUAL_DYNAMICS.riseSeconds;
  const fall = part.fallSeconds ?? USUAL_DYNAMICS.fallSeconds;
  const least = leastBandRatio({
    shadowShare: shadow / 100,
    rippleShare: ripple / 100,
    ownShare: goal.action === 'on-in-dark' ? ownLux / goal.lux : 0,
    lagSeconds: Math.sqrt(rise * fall),
  });
  const present = design.decision?.bandRatio ?? null;
  const offLux = goal.action === 'on-in-dark' ? goal.lux * least : goal.lux / least;
  return (
    <div className={styles.form}>
      <div className={styles.ask}>
        <WholeField
          label="A shadow takes, %"
          value={shadow}
          limits={{ least: 0, most: 95 }}
          onCommit={setShadow}
        />
        <WholeField
          label="Lamp’s ripple, %"
          value={ripple}
          limits={{ least: 0, most: 200 }}
          onCommit={setRipple}
        />
      </div>
      <Fact name="Least band" value={ratio(least)} note={`off again at ${light(offLux)}`} />
      {present !== null && (
        <Fact
          name="Present band"
          value={present < 1.0005 ? 'none' : ratio(present)}
          note={present >= least ? 'wide enough' : 'too narrow'}
        />
      )}
      <p className="soft">
        Filament lamps ripple by 10–20 %, plain LED lamps by 30–100 %; the LDR’s lag leaves a few hundredths
        of it. Its own light is taken from the tab beside.
      </p>
      {(decider.kind === 'comparator' || decider.kind === 'controller') && (
        <span>
          <Button onClick={() => apply(bandGoal(least * IN_HAND))}>Ask for this band</Button>
        </span>
      )}
    </div>
  );
}
