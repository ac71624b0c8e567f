'use client';

import { Button } from 'antd';
import { useState } from 'react';
import type { Design } from '@/core/design';
import { feedbackLightFacts, feedbackLightFrom } from '@/core/analyse/feedbackLight';
import type { FeedbackLightFacts } from '@/core/analyse/feedbackLight';
import { detectorOf } from '@/core/detectors/registry';
import { changeFeedbackLight } from '@/core/project/detectorEdits';
import { LIMITS } from '@/core/project/project';
import { Fact } from '@/ui/common/Panel';
import { FeedbackLightField } from '@/ui/fields/PlaceFields';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import type { LightText } from '@/ui/words/light';
import { timeText } from '@/ui/words/time';
import styles from './Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

const verdicts: Readonly<Record<FeedbackLightFacts['verdict'], string>> = {
  steady: 'steady',
  blinks: 'blinks',
  restarts: 'starts again and again',
  'turns-back': 'turns over and back',
  latches: 'latches',
  'dims-itself': 'dims itself',
};

/** How much of the load's light reaches the LDR, and what becomes of it. */
export function FeedbackLightHelper({ design }: { readonly design: Design }) {
  const apply = useApply();
  const light = useLightText();
  const project = useProject();
  const { detector } = project;
  const controller = detectorOf(detector, 'controller');
  const [onOhms, setOnOhms] = useState<number | null>(null);
  const [offOhms, setOffOhms] = useState<number | null>(null);
  const facts = feedbackLightFacts(project, design);
  const read =
    onOhms === null || offOhms === null ? undefined : feedbackLightFrom(design.ldr, onOhms, offOhms);
  return (
    <div className={styles.form}>
      <div className={styles.ask}>
        <FeedbackLightField />
      </div>
      <div className={styles.ask}>
        <OptionalQuantity
          label={switchWords.orLDRWith}
          unit="Ω"
          value={onOhms}
          limits={LIMITS.readingOhms}
          whenEmpty="read it"
          onCommit={setOnOhms}
        />
        <OptionalQuantity
          label={switchWords.andWithIt}
          unit="Ω"
          value={offOhms}
          limits={LIMITS.readingOhms}
          whenEmpty="read it"
          onCommit={setOffOhms}
        />
        {read !== undefined && read !== null && (
          <Button onClick={() => apply(changeFeedbackLight(Number(read.toPrecision(3))))}>
            Use {light(read)}
          </Button>
        )}
      </div>
      {read === null && (
        <p role="alert" className={styles.trouble}>
          {switchWords.withTheLoad}
        </p>
      )}
      {facts ? (
        <FeedbackVerdict facts={facts} minOnSeconds={controller?.minOnSeconds ?? null} />
      ) : (
        <Fact name="It is" value="steady" note="it does not switch" />
      )}
    </div>
  );
}

/** What becomes of it, and what that means at the bench. */
function FeedbackVerdict({
  facts: { verdict, maxLux, releaseLux, fullyOnBelowLux },
  minOnSeconds,
}: {
  readonly facts: FeedbackLightFacts;
  /** Of a program; `null` without one. */
  readonly minOnSeconds: number | null;
}) {
  const light = useLightText();
  const { feedbackLux } = useProject();
  return (
    <>
      <Fact name="It is" value={verdicts[verdict]} note={feedbackLimitText(maxLux, light)} />
      {verdict === 'blinks' && minOnSeconds !== null && (
        <p className="soft">
          Its program keeps it on for at least {timeText(Math.max(0.001, minOnSeconds))} each time: it blinks
          no faster than that.
        </p>
      )}
      {verdict === 'latches' && <p className="soft">{switchWords.noLightReleases}</p>}
      {verdict === 'steady' && releaseLux !== null && feedbackLux > 0 && (
        <p className="soft">Once on, it releases when the room is darker than {light(releaseLux)}.</p>
      )}
      {verdict === 'dims-itself' && (
        <p className="soft">
          {fullyOnBelowLux === null
            ? 'It is fully on at no light.'
            : `It is fully on only below ${light(fullyOnBelowLux)}.`}{' '}
          A comparator with a band wider than its own light would hold it.
        </p>
      )}
    </>
  );
}

/** How much feedback light a design tolerates. */
function feedbackLimitText(maxLux: number | null, light: LightText): string {
  if (maxLux === null) return 'however much of it there is';
  return maxLux > 0 ? `up to ${light(maxLux)} of it` : 'but tolerates none';
}
