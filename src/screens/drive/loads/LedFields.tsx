'use client';

import { keysOf } from '@/core/record';
import { Button, Select } from 'antd';
import { useId } from 'react';
import type { LedKindId, LedLoad } from '@/core/loads/led';
import { changeLoad, chooseLed } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { nearestIn } from '@/core/series/stock';
import { HowFound } from '@/ui/common/HowFound';
import { Fact } from '@/ui/common/Panel';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { QuantityField } from '@/ui/fields/QuantityField';
import { TypedInput } from '@/ui/fields/TypedInput';
import { useWholeText } from '@/ui/fields/WholeField';
import { useApply, useProject } from '@/ui/workbench/context';
import { combinationText } from '@/ui/words/dividing';
import { amps, ohms as ohmsText, partOhms, volts } from '@/ui/words/figures';
import { explainSeries } from '@/ui/words/howFound';
import { ledNames } from '@/ui/words/leds';
import type { LoadFieldsProps } from './figures';
import styles from '../DrivePanel.module.css';
import { driveWords } from '@/ui/words/panels/drive';

const ledOptions = keysOf(ledNames).map((value) => ({
  value,
  label: value === 'own' ? 'custom figures' : ledNames[value],
}));

type LedFieldsProps = LoadFieldsProps<LedLoad>;

/** LEDs, how many and with which current; their series resistor from stock. */
export function LedFields({ load, index, design, facts }: LedFieldsProps) {
  const apply = useApply();
  const id = useId();
  return (
    <>
      <div className={styles.row}>
        <label htmlFor={id}>{driveWords.kind}</label>
        <Select<LedKindId>
          id={id}
          value={load.led}
          options={ledOptions}
          onChange={(led) => apply(chooseLed(led, index))}
        />
      </div>
      {load.led === 'own' ? (
        <OwnLedFields load={load} index={index} />
      ) : (
        <p className="soft">
          Usually {volts(load.forwardVolts)} at {amps(load.atAmps)}; choose custom figures to type your
          datasheet’s.
        </p>
      )}
      <div className={styles.pair}>
        <Count
          label={driveWords.inARow}
          value={load.inSeries}
          limits={LIMITS.load.inSeries}
          onChange={(inSeries) => apply(changeLoad({ inSeries }, index))}
        />
        <Count
          label={driveWords.rows}
          value={load.strings}
          limits={LIMITS.load.strings}
          onChange={(strings) => apply(changeLoad({ strings }, index))}
        />
      </div>
      <QuantityField
        label={load.strings > 1 ? 'Current wanted, each row' : 'Current wanted'}
        unit="A"
        value={load.wantedAmps}
        limits={LIMITS.load.ledAmps}
        onCommit={(wantedAmps) => apply(changeLoad({ wantedAmps }, index))}
      />
      <SeriesFields load={load} index={index} design={design} facts={facts} />
    </>
  );
}

interface CountProps {
  readonly label: string;
  readonly value: number;
  readonly limits: { readonly min: number; readonly max: number };
  readonly onChange: (value: number) => void;
}

function Count({ label, value, limits, onChange }: CountProps) {
  const id = useId();
  const field = useWholeText(value, limits);
  return (
    <div className={styles.row}>
      <label htmlFor={id}>{label}</label>
      <TypedInput id={id} field={field} onCommit={(read) => read !== value && onChange(read)} />
    </div>
  );
}

function OwnLedFields({ load, index }: { readonly load: LedLoad; readonly index: number }) {
  const apply = useApply();
  return (
    <>
      <QuantityField
        label={driveWords.forwardVoltageVf}
        unit="V"
        value={load.forwardVolts}
        limits={LIMITS.load.forwardVolts}
        onCommit={(forwardVolts) => apply(changeLoad({ forwardVolts }, index))}
      />
      <QuantityField
        label={driveWords.at}
        unit="A"
        value={load.atAmps}
        limits={LIMITS.load.ratedAmps}
        onCommit={(atAmps) => apply(changeLoad({ atAmps }, index))}
      />
      <OptionalQuantity
        label={driveWords.ledMaximum}
        unit="A"
        value={load.maxAmps}
        limits={LIMITS.load.ledAmps}
        whenEmpty={driveWords.notSaid}
        onCommit={(maxAmps) => apply(changeLoad({ maxAmps }, index))}
      />
    </>
  );
}

function SeriesFields({ load, index, design, facts }: LedFieldsProps) {
  const apply = useApply();
  const project = useProject();
  const name = facts.resistor ?? 'R2';
  const { seriesOhms, strings } = load;
  // No resistor gives it its current where something else holds it back.
  const series = facts.series?.ok && !facts.series.isHeldBack ? facts.series : null;
  const nearest = series ? nearestIn(project.resistors, series.exactOhms) : null;
  const offered = nearest?.ok
    ? nearest.found.filter(({ ohms }) => series && ohms >= series.exactOhms * (1 - 1e-9))
    : [];
  const isOffered = offered.some(({ ohms }) => ohms === seriesOhms);
  return (
    <>
      <QuantityField
        label={`${name} in use${strings > 1 ? ', one a row' : ''}`}
        unit="Ω"
        value={seriesOhms}
        limits={LIMITS.load.seriesOhms}
        aside={<HowFound explanation={explainSeries(project, design, index)} />}
        onCommit={(ohms) => apply(changeLoad({ seriesOhms: ohms }, index))}
      />
      {series && (
        <Fact
          name="Exact for that current"
          value={ohmsText(series.exactOhms)}
          note={isOffered ? `${partOhms(seriesOhms)} is the next in stock` : undefined}
        />
      )}
      {series && nearest?.ok === false && <p className="soft">{driveWords.noResistorsAre}</p>}
      {offered.some(({ ohms }) => ohms !== seriesOhms) && (
        <div className={styles.values}>
          {offered
            .filter(({ ohms }) => ohms !== seriesOhms)
            .map((combination) => (
              <Button
                key={combination.ohms}
                size="small"
                onClick={() => apply(changeLoad({ seriesOhms: combination.ohms }, index))}
              >
                Use {combinationText(combination)}
              </Button>
            ))}
        </div>
      )}
      <Fact
        name="LED current, fully on"
        value={amps(facts.amps / strings)}
        note={strings > 1 ? `${amps(facts.amps)} in all` : undefined}
      />
    </>
  );
}
