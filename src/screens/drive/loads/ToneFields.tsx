'use client';

import { fixed } from '@/core/quantity/notation';
import { loudnessChange } from '@/core/loads/buzzer';
import { hertzOf, type ToneLoad } from '@/core/loads/tone';
import { changeLoad } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { partWith } from '@/core/parts/find';
import { Fact } from '@/ui/common/Panel';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply } from '@/ui/workbench/context';
import { frequency } from '@/ui/words/figures';
import { driveWords } from '@/ui/words/panels/drive';
import { Gets, useFigure, type LoadFieldsProps } from './figures';
import styles from '../DrivePanel.module.css';

const sources = [
  { value: 'timer', label: driveWords.timerIc },
  { value: 'pin', label: driveWords.controllersPin },
] as const;

const parts = [
  { key: 'upperOhms', role: 'tone-upper', letter: 'RA', unit: 'Ω', limits: LIMITS.load.toneOhms },
  { key: 'lowerOhms', role: 'tone-lower', letter: 'RB', unit: 'Ω', limits: LIMITS.load.toneOhms },
  { key: 'farads', role: 'tone-capacitor', letter: 'C', unit: 'F', limits: LIMITS.load.toneFarads },
] as const;

/** A buzzer that needs a tone, and what makes it. */
export function ToneFields({ load, index, facts, design }: LoadFieldsProps<ToneLoad>) {
  const apply = useApply();
  const figure = useFigure(load, index);
  const decibels = load.decibels + loudnessChange(Math.max(facts.volts, 0.01), load.ratedVolts);
  return (
    <>
      <ChoiceField
        label={driveWords.toneFrom}
        value={load.source}
        options={sources}
        onChange={(source) => apply(changeLoad({ source }, index))}
      />
      {load.source === 'timer' &&
        parts.map(({ key, role, letter, unit, limits }) => (
          <QuantityField
            key={key}
            label={`${partWith(design.assembly.parts, role, index)?.designator ?? ''} (${letter})`}
            unit={unit}
            value={load[key]}
            limits={limits}
            onCommit={(value) => apply(changeLoad({ [key]: value }, index))}
          />
        ))}
      {figure('resonantHertz', driveWords.loudestAt, 'Hz')}
      <div className={styles.pair}>
        {figure('ratedVolts', driveWords.ratedAt, 'V')}
        {figure('maxVolts', driveWords.upTo, 'V')}
      </div>
      {figure('ratedAmps', driveWords.currentWhileItSounds, 'A')}
      {figure('decibels', driveWords.loudnessThere, 'dB')}
      <Fact
        name={driveWords.tone}
        value={frequency(hertzOf(load))}
        note={load.source === 'timer' ? '1/(ln 2 · (RA + 2 RB) · C)' : driveWords.byItsProgram}
      />
      <Gets facts={facts} />
      <Fact name={driveWords.sounds} value={`${fixed(decibels, 0)} dB`} note={driveWords.atItsOwnTone} />
      <p className="soft">{driveWords.theToneKind}</p>
    </>
  );
}
