'use client';

import { Select, Slider } from 'antd';
import { useId, useMemo } from 'react';
import type { Design } from '@/core/design';
import { referenceTravel } from '@/core/size/referenceTravel';
import { changeDetector } from '@/core/project/detectorEdits';
import { LIMITS } from '@/core/project/project';
import type { ComparatorSettings } from '@/core/detectors/comparator/settings';
import type { Reference, ReferenceTrimmer } from '@/core/detectors/fields';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { volts } from '@/ui/words/figures';
import styles from '../Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

const kinds = [
  { value: 'resistors', label: switchWords.twoResistors },
  { value: 'trimmer', label: switchWords.withATrimmer },
] as const;
const DEFAULT_TRIMMER: ReferenceTrimmer = { trackOhms: 10_000, degrees: 270, position: 0.5 };
const turns = [
  { value: 270, label: switchWords.singleTurn270 },
  { value: 3600, label: switchWords.the10Turns },
  { value: 9000, label: switchWords.the25Turns },
];

interface ReferenceFieldsProps {
  readonly design: Design;
  readonly settings: ComparatorSettings;
}

/** The reference: two resistors, or a trimmer between them. */
export function ReferenceFields({ design, settings }: ReferenceFieldsProps) {
  const apply = useApply();
  const { reference } = settings;
  const change = (part: Partial<Reference>, key?: string) =>
    apply(changeDetector('comparator', { reference: { ...reference, ...part } }), key);
  const { trimmer } = reference;
  return (
    <>
      <ChoiceField
        label={switchWords.reference}
        value={trimmer ? 'trimmer' : 'resistors'}
        options={kinds}
        onChange={(value) => change({ trimmer: value === 'trimmer' ? DEFAULT_TRIMMER : null })}
      />
      <OptionalQuantity
        label={switchWords.referenceUpperR21}
        unit="Ω"
        value={reference.topOhms}
        limits={LIMITS.detectorOhms}
        onCommit={(topOhms) => change({ topOhms })}
      />
      <QuantityField
        label={switchWords.referenceLowerR22}
        unit="Ω"
        value={reference.bottomOhms}
        limits={LIMITS.detectorOhms}
        onCommit={(bottomOhms) => change({ bottomOhms })}
      />
      {trimmer && (
        <TrimmerFields
          design={design}
          trimmer={trimmer}
          onChange={(part, key) => change({ trimmer: { ...trimmer, ...part } }, key)}
        />
      )}
    </>
  );
}

interface TrimmerFieldsProps {
  readonly design: Design;
  readonly trimmer: ReferenceTrimmer;
  readonly onChange: (change: Partial<ReferenceTrimmer>, key?: string) => void;
}

function TrimmerFields({ design, trimmer, onChange }: TrimmerFieldsProps) {
  const id = useId();
  const project = useProject();
  const light = useLightText();
  const travel = useMemo(() => referenceTravel(project, design), [project, design]);
  if (!travel) return null;
  const ends = [travel.atLower, travel.atUpper].map((end) => (end.ok ? light(end.lux) : 'never'));
  return (
    <>
      <QuantityField
        label={switchWords.trackRV1}
        unit="Ω"
        value={trimmer.trackOhms}
        limits={LIMITS.trackOhms}
        onCommit={(trackOhms) => onChange({ trackOhms })}
      />
      <div className={styles.row}>
        <label htmlFor={id}>{switchWords.screw}</label>
        <Select
          id={id}
          value={trimmer.degrees}
          options={turns}
          onChange={(degrees) => onChange({ degrees })}
        />
      </div>
      <Slider
        min={0}
        max={1}
        step={0.005}
        value={trimmer.position}
        ariaLabelForHandle={switchWords.sliderOfRV1}
        tooltip={{ formatter: (value) => `${Math.round((value ?? 0) * 100)} % up` }}
        onChange={(position) => onChange({ position }, 'reference-slider')}
      />
      <p className="soft">
        From end to end it turns on at {ends[0]} … {ends[1]}
        {travel.lightPerDegree !== null && `; ${light(travel.lightPerDegree)} per degree here`}
        {travel.lightPerTurn !== null && ` (${light(travel.lightPerTurn)} per turn)`},{' '}
        {volts(travel.voltsPerDegree)} per degree.
      </p>
    </>
  );
}
