'use client';

import { Modal, Switch } from 'antd';
import { useId, type ReactNode } from 'react';
import { decimalMarks, distanceUnits } from '@/core/quantity/notation';
import { Choice, optionsFor, type ChoiceProps } from '../fields/Choice';
import { useLook } from '../theme/look';
import { lookChoices } from '../theme/tokens';
import { ohms } from '../words/figures';
import { metresText } from '../words/light';
import { decimalNames, distanceNames, lookNames, settingsWords, symbolNames } from '../words/panels/settings';
import { changeSettings, symbolStyles, useSetting } from './settings';
import styles from './SettingsModal.module.css';

interface SettingsModalProps {
  readonly isOpen: boolean;
  readonly onClose: () => void;
}

/** How this browser writes, draws, looks and sounds: for every project. */
export function SettingsModal({ isOpen, onClose }: SettingsModalProps) {
  const { choice, change } = useLook();
  const decimal = useSetting('decimal');
  const distance = useSetting('distance');
  const symbols = useSetting('symbols');
  const sound = useSetting('sound');
  return (
    <Modal title={settingsWords.title} open={isOpen} onCancel={onClose} footer={null} width={520}>
      <ChoiceRow
        name={settingsWords.decimal}
        note={ohms(4.7e3)}
        value={decimal}
        options={optionsFor(decimalMarks, (mark) => decimalNames[mark])}
        onChange={(next) => changeSettings({ decimal: next })}
      />
      <ChoiceRow
        name={settingsWords.distance}
        note={metresText(0.25)}
        value={distance}
        options={optionsFor(distanceUnits, (unit) => distanceNames[unit])}
        onChange={(next) => changeSettings({ distance: next })}
      />
      <ChoiceRow
        name={settingsWords.symbols}
        note={settingsWords.symbolsNote}
        value={symbols}
        options={optionsFor(symbolStyles, (style) => symbolNames[style])}
        onChange={(next) => changeSettings({ symbols: next })}
      />
      <ChoiceRow
        name={settingsWords.look}
        note={choice === 'system' ? settingsWords.systemNote : ''}
        value={choice}
        options={optionsFor(lookChoices, (look) => lookNames[look])}
        onChange={change}
      />
      <Row name={settingsWords.sound} note={settingsWords.soundNote}>
        {(label) => (
          <Switch
            aria-labelledby={label}
            checked={sound}
            onChange={(isOn) => changeSettings({ sound: isOn })}
          />
        )}
      </Row>
      <p className="soft">{settingsWords.forAll}</p>
    </Modal>
  );
}

interface ChoiceRowProps<T extends string> extends Omit<RowProps, 'children'> {
  readonly value: T;
  readonly options: ChoiceProps<T>['options'];
  readonly onChange: (value: T) => void;
}

function ChoiceRow<T extends string>({ name, note, ...choice }: ChoiceRowProps<T>) {
  return (
    <Row name={name} note={note}>
      {(label) => <Choice aria-labelledby={label} {...choice} />}
    </Row>
  );
}

interface RowProps {
  readonly name: string;
  readonly note: string;
  readonly children: (labelId: string) => ReactNode;
}

function Row({ name, note, children }: RowProps) {
  const id = useId();
  return (
    <div className={styles.row}>
      <span id={id}>{name}</span>
      <span>
        {children(id)}
        {note !== '' && (
          <span className={`soft ${/\d/.test(note) ? 'figures' : ''} ${styles.note}`}>{note}</span>
        )}
      </span>
    </div>
  );
}
