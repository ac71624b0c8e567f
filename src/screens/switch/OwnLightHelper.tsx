'use client';

import { Button } from 'antd';
import { useState } from 'react';
import type { Design } from '@/core/design/analysis';
import { ownLightFacts, ownLightFrom, type OwnLightFacts } from '@/core/design/ownLight';
import { changeOwnLight } from '@/core/project/deciderEdits';
import { LIMITS } from '@/core/project/project';
import { Fact } from '@/ui/common/Panel';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useApply, useLightText, useProject, useScale } from '@/ui/workbench/context';
import type { LightText } from '@/ui/words/light';
import { timeText } from '@/ui/words/time';
import styles from './Switch.module.css';

const verdicts: Readonly<Record<OwnLightFacts['verdict'], string>> = {
  steady: 'steady',
  blinks: 'blinks',
  latches: 'latches',
  'dims-itself': 'dims itself',
};

/** How much of the load's light reaches the LDR, and what becomes of it. */
export function OwnLightHelper({ design }: { readonly design: Design }) {
  const apply = useApply();
  const light = useLightText();
  const scale = useScale();
  const { ownLux, goal, decider } = useProject();
  const [onOhms, setOnOhms] = useState<number | null>(null);
  const [offOhms, setOffOhms] = useState<number | null>(null);
  const facts = ownLightFacts(design, ownLux);
  const read = onOhms === null || offOhms === null ? undefined : ownLightFrom(design.ldr, onOhms, offOhms);
  return (
    <div className={styles.form}>
      <div className={styles.ask}>
        <OptionalQuantity
          label="The load adds at the LDR"
          unit={scale === 'lux' ? 'lx' : '×'}
          value={ownLux === 0 ? null : ownLux}
          limits={LIMITS.light}
          onCommit={(value) => apply(changeOwnLight(value ?? 0))}
        />
      </div>
      <div className={styles.ask}>
        <OptionalQuantity
          label="Or: LDR with the load on"
          unit="Ω"
          value={onOhms}
          limits={LIMITS.readingOhms}
          whenEmpty="read it"
          onCommit={setOnOhms}
        />
        <OptionalQuantity
          label="and with it off"
          unit="Ω"
          value={offOhms}
          limits={LIMITS.readingOhms}
          whenEmpty="read it"
          onCommit={setOffOhms}
        />
        {read !== undefined && read !== null && (
          <Button onClick={() => apply(changeOwnLight(Number(read.toPrecision(3))))}>
            Use {light(read)}
          </Button>
        )}
      </div>
      {read === null && (
        <p role="alert" className={styles.trouble}>
          With the load on the LDR must read no more than with it off, both within its curve.
        </p>
      )}
      <Fact name="It is" value={verdicts[facts.verdict]} note={bearsText(facts.mostLux, light)} />
      {facts.verdict === 'blinks' && decider.kind === 'controller' && (
        <p className="soft">
          Its program keeps it on for at least {timeText(Math.max(0.001, decider.leastOnSeconds))} each time:
          it blinks no faster than that.
        </p>
      )}
      {facts.verdict === 'latches' && (
        <p className="soft">
          {facts.releaseLux === null
            ? 'Not even full dark makes it let go: break its supply for a moment, or screen the LDR from it. Where a latch is wanted, that is its release.'
            : `It lets go once the room is darker than ${light(facts.releaseLux)}.`}
        </p>
      )}
      {facts.verdict === 'steady' &&
        goal.action === 'on-in-light' &&
        facts.releaseLux !== null &&
        ownLux > 0 && (
          <p className="soft">Once on, it lets go when the room is darker than {light(facts.releaseLux)}.</p>
        )}
      {facts.verdict === 'dims-itself' && (
        <p className="soft">
          {facts.fullyOnBelowLux === null
            ? 'It is fully on at no light.'
            : `It is fully on only below ${light(facts.fullyOnBelowLux)}.`}{' '}
          A comparator with a band wider than its own light would hold it.
        </p>
      )}
    </div>
  );
}

/** How much of its own light a design bears. */
function bearsText(mostLux: number | null, light: LightText): string {
  if (mostLux === null) return 'it does not switch';
  return mostLux > 0 ? `up to ${light(mostLux)} of its own` : 'but bears no light of its own';
}
