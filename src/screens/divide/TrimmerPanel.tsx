'use client';

import { Button, Select, Slider } from 'antd';
import { useId, useMemo } from 'react';
import type { Design } from '@/core/design';
import { sizingMethodsOf, trimmerTravel } from '@/core/size/sizingMethods';
import { ohmsAtPosition, trimmerPosition } from '@/core/size/trimmer';
import { changeDivider, changeTrimmer, trimmerReaches } from '@/core/project/edits';
import { LIMITS, type Trimmer } from '@/core/project/project';
import { Fact, Panel } from '@/ui/common/Panel';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useLightText, useProject, useSession } from '@/ui/workbench/context';
import { partOhms, percent } from '@/ui/words/figures';
import { hearsChanges } from '@/ui/words/goal';
import styles from './DividePanel.module.css';
import { divideWords } from '@/ui/words/panels/divide';

/** A trimmer with its end resistor in R1's place: its travel in light, where the goal lies on it, how fine it is. */
export function TrimmerPanel({ design }: { readonly design: Design }) {
  const project = useProject();
  const { trimmer } = project.divider;
  // What hears changes has no light that it could be set to.
  if (!trimmer && hearsChanges(project)) return null;
  return trimmer ? <InUse design={design} trimmer={trimmer} /> : <Offer design={design} />;
}

function Offer({ design }: { readonly design: Design }) {
  const apply = useApply();
  const project = useProject();
  const method = useMemo(
    () => sizingMethodsOf(project, design).find(({ id }) => id === 'trimmer'),
    [project, design],
  );
  if (!method?.ok || !method.trimmer) {
    return (
      <Panel title={divideWords.trimmerInsteadOf}>
        <p className="soft">
          {method?.ok === false && method.reason === 'empty-stock'
            ? 'No trimmer is in stock: add one below.'
            : 'No trimmer in stock can be set to the goal.'}
        </p>
      </Panel>
    );
  }
  const { trimmer: choice, edit } = method;
  const { trackOhms, endOhms } = choice;
  return (
    <Panel title={divideWords.trimmerInsteadOf}>
      <p>
        {partOhms(trackOhms)}{' '}
        {endOhms > 0 ? `with ${partOhms(endOhms)} at its end` : 'without an end resistor'}: the goal lies at{' '}
        {percent(choice.position)} of its track
        {choice.covers
          ? ', and it reaches the goal for any LDR of the spread.'
          : ', but not for every LDR of the spread.'}
      </p>
      <span>
        <Button onClick={() => apply(edit)}>{divideWords.useThisTrimmer}</Button>
      </span>
    </Panel>
  );
}

const turns = [
  { value: 270, label: divideWords.singleTurn270 },
  { value: 3600, label: divideWords.the10Turns },
  { value: 9000, label: divideWords.the25Turns },
];

function InUse({ design, trimmer }: { readonly design: Design; readonly trimmer: Trimmer }) {
  const apply = useApply();
  const light = useLightText();
  const project = useProject();
  const travel = useMemo(() => trimmerTravel(project, design), [project, design]);
  const exact = design.exactFixed;
  const id = useId();
  const reaches = exact.ok && trimmerReaches(trimmer, exact.ohms);
  if (!travel) return null;
  const hasLight = !hearsChanges(project);
  const fine = travel.lightPerTurn ?? travel.lightPerDegree;
  const ends = [travel.atEnd, travel.atFull].map((end) => (end.ok ? light(end.lux) : 'never'));
  return (
    <Panel
      title={divideWords.trimmerInR1s}
      aside={
        <Button size="small" onClick={() => apply(changeTrimmer(null))}>
          {divideWords.backToA}
        </Button>
      }
    >
      <div className={styles.pair}>
        <QuantityField
          label={divideWords.track}
          unit="Ω"
          value={trimmer.trackOhms}
          limits={LIMITS.trackOhms}
          onCommit={(trackOhms) => apply(changeTrimmer({ ...trimmer, trackOhms }))}
        />
        <OptionalQuantity
          label={divideWords.end}
          unit="Ω"
          value={trimmer.endOhms === 0 ? null : trimmer.endOhms}
          limits={{ min: 1, max: LIMITS.endOhms.max }}
          onCommit={(endOhms) => apply(changeTrimmer({ ...trimmer, endOhms: endOhms ?? 0 }))}
        />
      </div>
      <div className={styles.line}>
        <label htmlFor={id}>{divideWords.screw}</label>
        <Select
          id={id}
          value={trimmer.degrees}
          options={
            turns.some(({ value }) => value === trimmer.degrees)
              ? turns
              : [...turns, { value: trimmer.degrees, label: `${trimmer.degrees}°` }]
          }
          onChange={(degrees) => apply(changeTrimmer({ ...trimmer, degrees }))}
        />
      </div>
      <PositionSlider />
      {hasLight && <Fact name="Travel" value={`${ends[0]} … ${ends[1]}`} />}
      {hasLight && (
        <Fact
          name={travel.lightPerTurn === null ? 'One degree there' : 'One turn there'}
          value={fine === null ? '–' : light(fine)}
          note={travel.sharePerDegree === null ? '' : `${percent(travel.sharePerDegree, 2)} a degree`}
        />
      )}
      {reaches && exact.ok && (
        <Fact
          name="The goal lies at"
          value={percent(trimmerPosition(trimmer, exact.ohms))}
          note="of its track"
        />
      )}
      {!hasLight ? null : reaches && exact.ok ? (
        <span>
          <Button
            size="small"
            onClick={() => apply(changeDivider({ fixedOhms: Number(exact.ohms.toPrecision(4)) }))}
          >
            {divideWords.setItTo}
          </Button>
        </span>
      ) : (
        <p role="alert" className={styles.trouble}>
          This trimmer cannot reach the goal: it would take{' '}
          {exact.ok ? partOhms(exact.ohms) : 'a value that does not exist'}.
        </p>
      )}
      {reaches && !travel.covers && <p className="soft">{divideWords.itDoesNot}</p>}
    </Panel>
  );
}

/** The screw: it follows the hand at once, whatever else waits for it to rest. */
function PositionSlider() {
  const apply = useApply();
  const trimmer = useSession(({ project }) => project.divider.trimmer);
  const fixedOhms = useSession(({ project }) => project.divider.fixedOhms);
  if (!trimmer) return null;
  return (
    <Slider
      ariaLabelForHandle={divideWords.positionOfThe}
      min={0}
      max={1}
      step={1 / trimmer.degrees}
      value={trimmerPosition(trimmer, fixedOhms)}
      tooltip={{ formatter: (value) => percent(value ?? 0) }}
      onChange={(position) =>
        apply(changeDivider({ fixedOhms: ohmsAtPosition(trimmer, position) }), 'trimmer')
      }
    />
  );
}
