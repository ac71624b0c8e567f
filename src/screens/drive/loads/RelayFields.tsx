'use client';

import { Checkbox, Select } from 'antd';
import { useId } from 'react';
import { contactUses, type ContactUse } from '@/core/loads/contacts';
import { contactRatingAmps, secondCoilAmps, type RelayLoad, type SecondRelay } from '@/core/loads/relay';
import { changeLoad } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { Fact } from '@/ui/common/Panel';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useProjectPart } from '@/ui/workbench/context';
import { amps } from '@/ui/words/figures';
import { actionText } from '@/ui/words/goal';
import { useNames } from '@/ui/words/names';
import { Gets, useFigure, useWhenItSwitches, type LoadFieldsProps } from './figures';
import styles from '../DrivePanel.module.css';
import { driveWords } from '@/ui/words/panels/drive';

const contacts = [
  { value: 'no', label: driveWords.normallyOpen },
  { value: 'nc', label: driveWords.normallyClosed },
] as const;
const uses = contactUses.map((value) => ({ value, label: useNames[value] }));

/** A relay: its coil, its contacts, and what they switch. */
export function RelayFields({ load, index, facts, design }: LoadFieldsProps<RelayLoad>) {
  const apply = useApply();
  const id = useId();
  const figure = useFigure(load, index);
  const { action } = design;
  const detector = useProjectPart((project) => project.detector);
  const switches = useWhenItSwitches(facts, 'never');
  return (
    <>
      <div className={styles.pair}>
        {figure('coilVolts', 'Coil', 'V')}
        {figure('coilOhms', 'of', 'Ω')}
      </div>
      <Gets facts={facts} />
      <Fact name="Pull-in" value={switches.on} note="75 % of its voltage" />
      <Fact name="Drop-out" value={switches.off} note="10 % of it" />
      <ChoiceField
        label={driveWords.contact}
        value={load.contact}
        options={contacts}
        onChange={(contact) => apply(changeLoad({ contact }, index))}
      />
      <div className={styles.row}>
        <label htmlFor={id}>{driveWords.switches}</label>
        <Select<ContactUse>
          id={id}
          value={load.use}
          options={uses}
          onChange={(use) => apply(changeLoad({ use }, index))}
        />
      </div>
      {load.use !== 'nothing' && (
        <>
          {figure('useAmps', 'Its current', 'A')}
          <Checkbox
            checked={load.useMains}
            onChange={(event) => apply(changeLoad({ useMains: event.target.checked }, index))}
          >
            {driveWords.itIsOn}
          </Checkbox>
        </>
      )}
      {figure('contactAmps', 'Contacts rated for', 'A')}
      <Fact
        name="Rated for this use"
        value={amps(contactRatingAmps(load))}
        note={load.contact === 'nc' && !load.second ? 'less on the spring’s side' : undefined}
      />
      <SecondFields load={load} index={index} designator={facts.designator} />
      {load.use !== 'nothing' && (
        <p className="soft">
          What it switches is <b>{actionText({ detector }, action, load.contact === 'nc')}</b>.
        </p>
      )}
      <p className="soft">{facts.flyback} lies across the coil, its stripe towards plus.</p>
    </>
  );
}

interface SecondFieldsProps {
  readonly load: RelayLoad;
  readonly index: number;
  readonly designator: string;
}

/** What a larger relay is begun with: a coil as they are sold. */
const LARGER: SecondRelay = { coilVolts: 12, coilOhms: 120, supplyVolts: 12, contactAmps: 30 };

/** A larger relay or a contactor behind this one: its coil, its supply, its contacts. */
function SecondFields({ load, index, designator }: SecondFieldsProps) {
  const apply = useApply();
  const { second } = load;
  const change = (part: Partial<SecondRelay>) =>
    second && apply(changeLoad({ second: { ...second, ...part } }, index));
  const field = (key: keyof SecondRelay, label: string, unit: 'V' | 'Ω' | 'A') => (
    <QuantityField
      key={key}
      label={label}
      unit={unit}
      value={second?.[key] ?? 0}
      limits={{ V: LIMITS.load.volts, Ω: LIMITS.load.coilOhms, A: LIMITS.load.contactAmps }[unit]}
      onCommit={(value) => change({ [key]: value })}
    />
  );
  return (
    <>
      <Checkbox
        checked={second !== null}
        onChange={(event) => apply(changeLoad({ second: event.target.checked ? LARGER : null }, index))}
      >
        {driveWords.throughALarger}
      </Checkbox>
      {second && (
        <>
          {field('coilVolts', driveWords.itsCoil, 'V')}
          {field('coilOhms', driveWords.coilOf, 'Ω')}
          {field('supplyVolts', driveWords.onASupplyOf, 'V')}
          {field('contactAmps', driveWords.itsContacts, 'A')}
          <Fact
            name={`Contact of ${designator} carries`}
            value={amps(secondCoilAmps(second))}
            note={driveWords.diodeAcrossToo}
          />
        </>
      )}
    </>
  );
}
