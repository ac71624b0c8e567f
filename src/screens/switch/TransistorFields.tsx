'use client';

import { PlusOutlined } from '@ant-design/icons';
import { Button, Select } from 'antd';
import { useId, useState } from 'react';
import { changeBaseResistor, changeDriver, driveDirectly, takeTransistor } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { detectorDefinition } from '@/core/detectors/registry';
import { transistorKinds, type LoadPlace, type TransistorKind } from '@/core/drivers/kinds';
import { defaultTransistor, drivers, shippedTransistors } from '@/core/drivers/registry';
import { Panel } from '@/ui/common/Panel';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { SelectField } from '@/ui/fields/SelectField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { tables, useRecords } from '@/ui/library/useRecords';
import { useApply, useProject } from '@/ui/workbench/context';
import { controlName, endNames, transistorName, transistorNames } from '@/ui/words/names';
import { CustomPartModal } from './CustomPartModal';
import styles from './Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

/** The resistor before the base that is put in when someone asks for one. */
const DEFAULT_BASE_OHMS = 1000;

const kinds = transistorKinds.map((value) => ({
  value,
  label: transistorNames[value],
}));
const drives = [
  { value: 'divider', label: 'divider' },
  { value: 'direct', label: switchWords.lDRDirectly },
] as const;
const ways = [
  { value: 'wire', label: 'wired' },
  { value: 'resistor', label: switchWords.resistorR3 },
] as const;
const eachWays = [ways[0], { value: 'resistor', label: switchWords.resistorEach }] as const;

/** What switches: the kind of transistor, the part, how it is driven, and where the load hangs. */
export function TransistorFields() {
  const apply = useApply();
  const { driver, divider, detector } = useProject();
  // Behind a detector the base hangs on its output, whatever the divider would do alone.
  const isAlone = detectorDefinition(detector).output(detector) === null;
  // One for each load, all alike.
  const isEach = detectorDefinition(detector).loadOutputs(detector) !== null;
  const canBeDirect = drivers[driver.kind].directSide !== null && isAlone;
  const isDirect = divider.isDirect && isAlone;
  const ends = endNames(driver.kind);
  const places = (['collector', 'emitter'] as const).map((value) => ({ value, label: ends[value] }));
  const control = controlName(driver.kind);
  return (
    <Panel title={switchWords.transistor}>
      {isEach && <p className="soft">{switchWords.oneForEachStep}</p>}
      <SelectField<TransistorKind>
        label={switchWords.kind}
        value={driver.kind}
        options={kinds}
        onChange={(kind) => apply(takeTransistor(defaultTransistor(kind)))}
      />
      <PartChoice />
      <ChoiceField<LoadPlace>
        label={switchWords.loadAtThe}
        value={driver.place}
        options={places}
        onChange={(place) => apply(changeDriver({ place }))}
      />
      {canBeDirect && (
        <ChoiceField
          label={switchWords.drivenBy}
          value={divider.isDirect ? 'direct' : 'divider'}
          options={drives}
          onChange={(way) => apply(driveDirectly(way === 'direct'))}
        />
      )}
      {!isDirect && (
        <ChoiceField
          label={control === 'gate' ? 'Gate' : 'Base'}
          value={driver.baseOhms === null ? 'wire' : 'resistor'}
          options={isEach ? eachWays : ways}
          onChange={(way) => apply(changeBaseResistor(way === 'wire' ? null : DEFAULT_BASE_OHMS))}
        />
      )}
      {driver.baseOhms !== null && !isDirect && (
        <QuantityField
          label={`${control === 'gate' ? 'Gate' : 'Base'} resistor ${isEach ? 'of each' : 'R3'}`}
          unit="Ω"
          value={driver.baseOhms}
          limits={LIMITS.baseOhms}
          onCommit={(value) => apply(changeBaseResistor(value))}
        />
      )}
      {isDirect && <p className="soft">{switchWords.theLDRsOwn}</p>}
    </Panel>
  );
}

/** The part: of the list, or of one's own shelf. */
function PartChoice() {
  const id = useId();
  const apply = useApply();
  const { part } = useProject().driver;
  const shelf = useRecords(tables.transistors) ?? [];
  const [open, setOpen] = useState(false);
  const known = [...shippedTransistors, ...shelf.filter((own) => own.id !== part.id), part];
  const offered = [...new Map(known.map((candidate) => [candidate.id, candidate])).values()].filter(
    ({ kind }) => kind === part.kind,
  );
  return (
    <div className={styles.row}>
      <label htmlFor={id}>{switchWords.part}</label>
      <Select
        id={id}
        value={part.id}
        options={offered.map((candidate) => ({ value: candidate.id, label: transistorName(candidate) }))}
        onChange={(chosen: string) => {
          const found = offered.find((candidate) => candidate.id === chosen);
          if (found) apply(takeTransistor(found));
        }}
      />
      <Button icon={<PlusOutlined />} title={switchWords.byItsDatasheet} onClick={() => setOpen(true)}>
        {switchWords.customPart}
      </Button>
      {open && <CustomPartModal onClose={() => setOpen(false)} />}
    </div>
  );
}
