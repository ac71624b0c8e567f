'use client';

import { optionsFor } from '@/ui/fields/Choice';
import { Button, Select, Slider, Switch } from 'antd';
import { useId, useMemo } from 'react';
import { detectorDefinition } from '@/core/detectors/registry';
import type { Design } from '@/core/design';
import { budgetOf } from '@/core/analyse/budget';
import type { SupplyBudget } from '@/core/analyse/budget';
import type { Crossing } from '@/core/light/crossing';
import { stabilityOf } from '@/core/analyse/stability';
import {
  batteryKinds,
  cellsInPlace,
  maxCells,
  defaultSource,
  type BatteryKindId,
  type Source,
  type SourceKind,
  sourceKinds,
} from '@/core/loads/supply';
import { changeDarkShare, changeLoadSupply, takeSource } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { Fact, Panel } from '@/ui/common/Panel';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { QuantityField } from '@/ui/fields/QuantityField';
import { TypedInput } from '@/ui/fields/TypedInput';
import { useWholeText } from '@/ui/fields/WholeField';
import { useApply, useLightText, useProject, useSession } from '@/ui/workbench/context';
import { amps, partVolts, percent } from '@/ui/words/figures';
import { batteryNames, supplyNames } from '@/ui/words/names';
import { hoursText, timeText } from '@/ui/words/time';
import styles from './DrivePanel.module.css';
import { driveWords } from '@/ui/words/panels/drive';

const kinds = optionsFor(sourceKinds, (kind) => supplyNames[kind]);
const batteries = optionsFor(
  batteryKinds.map(({ id }) => id),
  (id) => batteryNames[id],
);

/** What feeds the circuit: one supply, or one for the sensor and one for the load; what each gives and how long it lasts. */
export function SupplyPanel({ design }: { readonly design: Design }) {
  const apply = useApply();
  const project = useProject();
  const { divider, source, loadSupply } = project;
  const budgets = useMemo(() => budgetOf(project, design), [project, design]);
  const hasBattery = budgets.some(({ hours }) => hours !== null);
  return (
    <Panel
      title={loadSupply ? 'Supply of the sensor side' : 'Supply'}
      aside={
        !loadSupply && (
          <Button
            size="small"
            onClick={() => apply(changeLoadSupply({ ...defaultSource('adapter', 12), commonGround: true }))}
          >
            {driveWords.giveTheLoad}
          </Button>
        )
      }
    >
      <SourceFields
        name="sensor"
        source={source}
        openVolts={divider.supplyVolts}
        onChange={(next, volts) => apply(takeSource(next, volts))}
      />
      <Gives budget={budgets[0]} />
      {source.kind === 'battery' && <FlatToFresh design={design} />}
      {loadSupply && (
        <>
          <h3 className={styles.sub}>{driveWords.supplyOfThe}</h3>
          <SourceFields
            name="load"
            source={loadSupply.source}
            openVolts={loadSupply.volts}
            onChange={(next, volts) => apply(changeLoadSupply({ ...loadSupply, source: next, volts }))}
          />
          <Gives budget={budgets[1]} />
          <div className={styles.share}>
            <span>{driveWords.groundsJoined}</span>
            <Switch
              aria-label={driveWords.groundsJoined}
              checked={loadSupply.commonGround}
              onChange={(commonGround) => apply(changeLoadSupply({ ...loadSupply, commonGround }))}
            />
            <Button size="small" onClick={() => apply(changeLoadSupply(null))}>
              {driveWords.oneSupplyFor}
            </Button>
          </div>
        </>
      )}
      {hasBattery && <DarkHours />}
    </Panel>
  );
}

/** Share of the hours in which it is dark; the slider follows the hand at once. */
function DarkHours() {
  const apply = useApply();
  const darkShare = useSession(({ project }) => project.darkShare);
  return (
    <div className={styles.share}>
      <span>{driveWords.darkHours}</span>
      <Slider
        ariaLabelForHandle={driveWords.shareOfDark}
        min={0}
        max={100}
        value={Math.round(darkShare * 100)}
        onChange={(share) => apply(changeDarkShare(share / 100), 'dark share')}
      />
      <b className="figures">{percent(darkShare)}</b>
    </div>
  );
}

/** Where it switches as the battery runs down. */
function FlatToFresh({ design }: { readonly design: Design }) {
  const project = useProject();
  const light = useLightText();
  const { flat, fresh, flatVolts } = useMemo(() => stabilityOf(project, design), [project, design]);
  // What hears changes has no light of its own.
  if (detectorDefinition(project.detector).goal.lights === 'start') return null;
  const at = (crossing: Crossing) => (crossing.ok ? light(crossing.lux) : 'never');
  return (
    <Fact
      name="Switches, fresh to flat"
      value={`${at(fresh)} … ${at(flat)}`}
      note={`flat at ${partVolts(flatVolts)}`}
    />
  );
}

function Gives({ budget }: { readonly budget: SupplyBudget | undefined }) {
  if (!budget) return null;
  return (
    <>
      <Fact name="Gives in the dark" value={amps(budget.darkAmps)} />
      <Fact name="In the light" value={amps(budget.brightAmps)} note={`${amps(budget.maxAmps)} at most`} />
      {budget.hours !== null && (
        <Fact
          name="Lasts about"
          value={hoursText(budget.hours)}
          note={
            budget.onSecondsADay === null
              ? 'to flat cells'
              : `to flat cells, ${timeText(budget.onSecondsADay)} on a day`
          }
        />
      )}
    </>
  );
}

interface SourceFieldsProps {
  readonly name: string;
  readonly source: Source;
  readonly openVolts: number;
  readonly onChange: (source: Source, volts: number) => void;
}

function SourceFields({ name, source, openVolts, onChange }: SourceFieldsProps) {
  const id = useId();
  const take = (kind: SourceKind, battery = source.battery, cells = source.cells) => {
    const next = defaultSource(kind, openVolts, battery, cells);
    onChange(next.source, next.volts);
  };
  return (
    <>
      <div className={styles.row}>
        <label htmlFor={id}>{driveWords.from}</label>
        <Select<SourceKind>
          id={id}
          aria-label={`From, ${name} side`}
          value={source.kind}
          options={kinds}
          onChange={(kind) => take(kind)}
        />
      </div>
      {source.kind === 'battery' && (
        <div className={styles.row}>
          <Cells
            label={`Cells in series, ${name}`}
            source={source}
            onCommit={(cells) => take('battery', source.battery, cells)}
          />
          <Select<BatteryKindId>
            aria-label={`Cells, ${name}`}
            value={source.battery}
            options={batteries}
            onChange={(battery) =>
              take('battery', battery, cellsInPlace(source.battery, battery, source.cells))
            }
          />
        </div>
      )}
      <QuantityField
        label={name === 'load' ? 'Voltage of the load' : 'Voltage'}
        unit="V"
        value={openVolts}
        limits={LIMITS.supplyVolts}
        onCommit={(volts) => onChange(source, volts)}
      />
      {source.kind === 'battery' && (
        <OptionalQuantity
          label={driveWords.capacity}
          unit="Ah"
          value={source.ampHours}
          limits={LIMITS.supply.ampHours}
          whenEmpty="not known"
          onCommit={(ampHours) => onChange({ ...source, ampHours }, openVolts)}
        />
      )}
      {(source.kind === 'adapter' || source.kind === 'usb') && (
        <OptionalQuantity
          label={driveWords.givesAtMost}
          unit="A"
          value={source.limitAmps}
          limits={LIMITS.supply.limitAmps}
          whenEmpty="no limit"
          onCommit={(limitAmps) => onChange({ ...source, limitAmps }, openVolts)}
        />
      )}
      {source.kind !== 'ideal' && (
        <OptionalQuantity
          label={driveWords.itsOwnResistance}
          unit="Ω"
          value={source.ohms === 0 ? null : source.ohms}
          limits={{ min: 0.001, max: LIMITS.supply.ohms.max }}
          onCommit={(ohms) => onChange({ ...source, ohms: ohms ?? 0 }, openVolts)}
        />
      )}
    </>
  );
}

interface CellsProps {
  readonly label: string;
  readonly source: Source;
  readonly onCommit: (cells: number) => void;
}

/** How many cells stand in a row: no more than a supply here may have volts. */
function Cells({ label, source, onCommit }: CellsProps) {
  const field = useWholeText(source.cells, { min: LIMITS.supply.cells.min, max: maxCells(source.battery) });
  return (
    <TypedInput label={label} field={field} onCommit={(cells) => cells !== source.cells && onCommit(cells)} />
  );
}
