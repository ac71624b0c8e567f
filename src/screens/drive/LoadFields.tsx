'use client';

import { Checkbox, Select } from 'antd';
import { useId } from 'react';
import type { Crossing } from '@/core/design/crossing';
import type { LoadFacts } from '@/core/design/loadFacts';
import {
  contactUses,
  type BuzzerLoad,
  type ContactUse,
  type LampLoad,
  type ModuleLoad,
  type MotorLoad,
  type RelayLoad,
} from '@/core/loads/load';
import { changeLoad } from '@/core/project/edits';
import type { Action } from '@/core/stages/stage';
import { LIMITS } from '@/core/project/project';
import { Fact } from '@/ui/common/Panel';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useLightText, useProjectPart } from '@/ui/workbench/context';
import { actionNames } from '@/ui/words/advice';
import { useNames } from '@/ui/words/driving';
import { amps, volts } from '@/ui/words/figures';
import styles from './DrivePanel.module.css';

interface FieldsOf<L> {
  readonly load: L;
  readonly index: number;
  readonly facts: LoadFacts;
}

/** One figure of a load as a field. */
function useFigure<L extends object>(load: L, index: number) {
  const apply = useApply();
  return function figure(key: keyof L & string, label: string, unit: 'V' | 'A' | 'Ω' | 'dB') {
    const limits = { V: LIMITS.load.volts, A: LIMITS.load.amps, Ω: LIMITS.load.coilOhms, dB: LIMITS.load.decibels }[unit]; // prettier-ignore
    return (
      <QuantityField
        key={key}
        label={label}
        unit={unit}
        value={Number(load[key])}
        limits={limits}
        onCommit={(value) => apply(changeLoad({ [key]: value }, index))}
      />
    );
  };
}

const Gets = ({ facts }: { readonly facts: LoadFacts }) => (
  <Fact name="Gets, fully on" value={volts(facts.volts)} note={amps(facts.amps)} />
);

export function BuzzerFields({ load, index, facts }: FieldsOf<BuzzerLoad>) {
  const figure = useFigure(load, index);
  const { loudness } = facts;
  return (
    <>
      <div className={styles.pair}>
        {figure('minVolts', 'From', 'V')}
        {figure('maxVolts', 'to', 'V')}
      </div>
      {figure('ratedVolts', 'Rated at', 'V')}
      {figure('ratedAmps', 'Current there', 'A')}
      {figure('decibels', 'Loudness there, 10 cm', 'dB')}
      <Gets facts={facts} />
      <Fact
        name="Sounds"
        value={loudness === null ? 'silent' : `${(load.decibels + loudness).toFixed(0)} dB`}
        note={loudness === null ? `needs ${volts(load.minVolts)}` : 'at 10 cm'}
      />
      <p className="soft">
        The active kind sounds by itself on direct current. A passive one only clicks: it needs a tone.
      </p>
    </>
  );
}

const contacts = [
  { value: 'no', label: 'normally open' },
  { value: 'nc', label: 'normally closed' },
] as const;
const uses = contactUses.map((value) => ({ value, label: useNames[value] }));

export function RelayFields({
  load,
  index,
  facts,
  action,
}: FieldsOf<RelayLoad> & { readonly action: Action }) {
  const apply = useApply();
  const id = useId();
  const light = useLightText();
  const figure = useFigure(load, index);
  const fires = useProjectPart((project) => project.detector.kind === 'change');
  const { pullIn, dropOut, pullsIn, letsGo } = facts.relay ?? {};
  const at = (crossing: Crossing | undefined, fired: string | false | undefined) =>
    crossing?.ok ? light(crossing.lux) : fired || 'never';
  return (
    <>
      <div className={styles.pair}>
        {figure('coilVolts', 'Coil', 'V')}
        {figure('coilOhms', 'of', 'Ω')}
      </div>
      <Gets facts={facts} />
      <Fact
        name="Pulls in at"
        value={at(pullIn, fires && pullsIn && 'a change')}
        note="75 % of its voltage"
      />
      <Fact name="Lets go at" value={at(dropOut, fires && letsGo && 'its end')} note="10 % of it" />
      <ChoiceField
        label="Contact"
        value={load.contact}
        options={contacts}
        onChange={(contact) => apply(changeLoad({ contact }, index))}
      />
      <div className={styles.row}>
        <label htmlFor={id}>Switches</label>
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
            It is on the mains
          </Checkbox>
        </>
      )}
      {figure('contactAmps', 'Contacts rated for', 'A')}
      <Fact
        name="Of this kind they bear"
        value={amps(facts.relay?.contactAmps ?? 0)}
        note={load.contact === 'nc' ? 'less on the spring’s side' : undefined}
      />
      {load.use !== 'nothing' && (
        <p className="soft">
          What it switches is{' '}
          <b>
            {
              actionNames[
                load.contact === 'no' ? action : action === 'on-in-dark' ? 'on-in-light' : 'on-in-dark'
              ]
            }
          </b>
          .
        </p>
      )}
      <p className="soft">{facts.flyback} lies across the coil, its stripe towards plus.</p>
    </>
  );
}

const inputs = [
  { value: 'active-high', label: 'active high' },
  { value: 'active-low', label: 'active low' },
] as const;

export function ModuleFields({ load, index, facts }: FieldsOf<ModuleLoad>) {
  const apply = useApply();
  const figure = useFigure(load, index);
  return (
    <>
      <ChoiceField
        label="Input"
        value={load.input}
        options={inputs}
        onChange={(input) => apply(changeLoad({ input }, index))}
      />
      {figure('ratedVolts', 'Supply and signal', 'V')}
      {figure('inputAmps', 'Into its input', 'A')}
      <div className={styles.pair}>
        {figure('idleAmps', 'Idle', 'A')}
        {figure('onAmps', 'On', 'A')}
      </div>
      <Gets facts={facts} />
      <Checkbox
        checked={load.useMains}
        onChange={(event) => apply(changeLoad({ useMains: event.target.checked }, index))}
      >
        It switches the mains
      </Checkbox>
      <p className="soft">Its own supply current comes on top of the input’s; the budget counts both.</p>
    </>
  );
}

export function LampFields({ load, index, facts }: FieldsOf<LampLoad>) {
  const figure = useFigure(load, index);
  return (
    <>
      <div className={styles.pair}>
        {figure('ratedVolts', 'Made for', 'V')}
        {figure('ratedAmps', 'at', 'A')}
      </div>
      <Gets facts={facts} />
      <Fact name="Cold, for a moment" value={amps(facts.inrushAmps ?? 0)} note="if the switch lets it" />
    </>
  );
}

export function MotorFields({ load, index, facts }: FieldsOf<MotorLoad>) {
  const figure = useFigure(load, index);
  return (
    <>
      <div className={styles.pair}>
        {figure('ratedVolts', 'Made for', 'V')}
        {figure('ratedAmps', 'runs at', 'A')}
      </div>
      {figure('stallAmps', 'Held fast', 'A')}
      <Gets facts={facts} />
      <Fact name="Starting, for a moment" value={amps(facts.inrushAmps ?? 0)} />
      <p className="soft">{facts.flyback} lies across it, its stripe towards plus.</p>
    </>
  );
}
