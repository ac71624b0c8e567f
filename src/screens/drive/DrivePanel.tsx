'use client';

import { Button, Select } from 'antd';
import { useId } from 'react';
import type { Step } from '@/core/design/advice';
import type { Design } from '@/core/design/analysis';
import { resistorRatingFor } from '@/core/loads/powerRating';
import type { LedKindId } from '@/core/loads/led';
import { changeLoad, chooseLed } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { HowFound } from '@/ui/common/HowFound';
import { Fact, Panel } from '@/ui/common/Panel';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { amps, ohms as ohmsText, partOhms, volts, watts } from '@/ui/words/figures';
import { explainSeries } from '@/ui/words/howFound';
import { ledNames } from '@/ui/words/leds';
import styles from './DrivePanel.module.css';

interface StepPanelProps {
  readonly design: Design;
  readonly onGo: (step: Step) => void;
}

const ledOptions = (Object.keys(ledNames) as LedKindId[]).map((value) => ({
  value,
  label: value === 'own' ? 'own figures' : ledNames[value],
}));

/** Step 4: the LED, its series resistor and what gets warm. */
export function DrivePanel({ design }: StepPanelProps) {
  const apply = useApply();
  const { load } = useProject();
  const id = useId();
  return (
    <>
      <Panel title="LED">
        <div className={styles.row}>
          <label htmlFor={id}>Kind</label>
          <Select<LedKindId>
            id={id}
            value={load.led}
            options={ledOptions}
            onChange={(led) => apply(chooseLed(led))}
          />
        </div>
        {load.led === 'own' ? (
          <OwnLedFields />
        ) : (
          <p className="soft">
            Usually {volts(load.forwardVolts)} at {amps(load.atAmps)}; choose own figures to type your
            datasheet’s.
          </p>
        )}
        <QuantityField
          label="Current wanted"
          unit="A"
          value={load.wantedAmps}
          limits={LIMITS.ledAmps}
          onCommit={(wantedAmps) => apply(changeLoad({ wantedAmps }))}
        />
      </Panel>
      <SeriesPanel design={design} />
      <HeatPanel design={design} />
    </>
  );
}

function OwnLedFields() {
  const apply = useApply();
  const { load } = useProject();
  return (
    <>
      <QuantityField
        label="Forward voltage Vf"
        unit="V"
        value={load.forwardVolts}
        limits={LIMITS.forwardVolts}
        onCommit={(forwardVolts) => apply(changeLoad({ forwardVolts }))}
      />
      <QuantityField
        label="… at"
        unit="A"
        value={load.atAmps}
        limits={LIMITS.ratedAmps}
        onCommit={(atAmps) => apply(changeLoad({ atAmps }))}
      />
    </>
  );
}

function SeriesPanel({ design }: { readonly design: Design }) {
  const apply = useApply();
  const project = useProject();
  const { series } = design;
  const { seriesOhms } = project.load;
  const nearest = series.ok ? [...new Set([series.e12Ohms, series.e24Ohms])] : [];
  const better = nearest.includes(seriesOhms) ? nearest.filter((ohms) => ohms < seriesOhms) : nearest;
  return (
    <Panel title="Series resistor R2" aside={<HowFound explanation={explainSeries(project, design)} />}>
      <QuantityField
        label="R2 in use"
        unit="Ω"
        value={seriesOhms}
        limits={LIMITS.seriesOhms}
        onCommit={(ohms) => apply(changeLoad({ seriesOhms: ohms }))}
      />
      {series.ok && (
        <Fact
          name="Exact for that current"
          value={ohmsText(series.exactOhms)}
          note={nearest.includes(seriesOhms) ? `${partOhms(seriesOhms)} is the next real one` : undefined}
        />
      )}
      {better.length > 0 && (
        <div className={styles.values}>
          {better.map((ohms) => (
            <Button key={ohms} size="small" onClick={() => apply(changeLoad({ seriesOhms: ohms }))}>
              Use {partOhms(ohms)}
            </Button>
          ))}
        </div>
      )}
      <Fact name="LED current, fully on" value={amps(design.drive.fullAmps)} />
    </Panel>
  );
}

function HeatPanel({ design }: { readonly design: Design }) {
  const { worst } = design.sweep;
  const light = useLightText();
  const rating = resistorRatingFor(worst.seriesWatts);
  return (
    <Panel title="Heat and current">
      <Fact
        name="R2"
        value={watts(worst.seriesWatts)}
        note={rating.ok ? `a ${rating.watts} W resistor will do` : 'more than any single resistor takes'}
      />
      <Fact name="LED" value={watts(design.ledWatts)} />
      <Fact
        name="Q1, worst"
        value={watts(worst.transistorWatts)}
        note={`at ${light(worst.transistorWattsLux)}`}
      />
      <Fact name="From the supply" value={amps(worst.supplyAmps)} note="at most" />
      <p className="soft">The long lead of the LED is the anode: it goes to R2.</p>
    </Panel>
  );
}
