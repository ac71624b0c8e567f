'use client';

import { Select, Slider } from 'antd';
import type { ReactNode } from 'react';
import { meterOf, shippedMeterIds } from '@/core/meter/meter';
import { BENCH_LIMITS } from '@/core/practice/bench';
import { SwitchField } from '@/ui/fields/SwitchField';
import { Panel } from '@/ui/common/Panel';
import { lux, partOhms, percent } from '@/ui/words/figures';
import { metresText } from '@/ui/words/light';
import { meterNames } from '@/ui/words/measure/measuring';
import { BenchPicture } from './BenchPicture';
import styles from './Live.module.css';
import { useBenchControls } from './useBenchControls';
import { measureWords } from '@/ui/words/panels/measure';

/** The knobs of the simulated bench: lamp, room light, cover, screen, meter. */
export function BenchPanel() {
  const [controls, change, refused] = useBenchControls();
  const meter = meterOf(controls.meter);
  const { lampMetres, dimShare, roomLux } = controls;
  return (
    <Panel title={measureWords.simulatedBench}>
      <BenchPicture controls={controls} />
      <Knob name="Lamp at" value={metresText(lampMetres)}>
        <Slider
          ariaLabelForHandle={measureWords.distanceOfThe}
          min={Math.log(BENCH_LIMITS.lampMetres.min)}
          max={Math.log(BENCH_LIMITS.lampMetres.max)}
          step={0.01}
          value={Math.log(lampMetres)}
          tooltip={{ open: false }}
          onChange={(value) =>
            change({ lampMetres: Math.min(5, Math.max(0.05, Number(Math.exp(value).toPrecision(3)))) })
          }
        />
      </Knob>
      <Knob name="Dimmed to" value={percent(dimShare)}>
        <Slider
          ariaLabelForHandle={measureWords.lightOfThe}
          min={0.01}
          max={1}
          step={0.01}
          value={dimShare}
          tooltip={{ open: false }}
          onChange={(value) => change({ dimShare: value })}
        />
      </Knob>
      <Knob name="Room light" value={roomLux === 0 ? 'none' : lux(roomLux)}>
        <Slider
          ariaLabelForHandle={measureWords.lightOfTheRoom}
          min={-2}
          max={Math.log10(BENCH_LIMITS.roomLux.max)}
          step={0.05}
          value={roomLux === 0 ? -2 : Math.log10(roomLux)}
          tooltip={{ open: false }}
          onChange={(value) =>
            change({ roomLux: value <= -2 ? 0 : Math.min(2000, Number((10 ** value).toPrecision(2))) })
          }
        />
      </Knob>
      <div className={styles.switches}>
        <SwitchField
          label={measureWords.lampOn}
          isOn={controls.lampOn}
          onChange={(lampOn) => change({ lampOn })}
        />
        <SwitchField
          label={measureWords.ldrCovered}
          isOn={controls.covered}
          onChange={(covered) => change({ covered })}
        />
        <SwitchField
          label={measureWords.flickering}
          isOn={controls.screenOn}
          onChange={(screenOn) => change({ screenOn })}
        />
      </div>
      <div className={styles.source}>
        <Select
          size="small"
          aria-label={measureWords.meterOnThe}
          value={controls.meter}
          options={shippedMeterIds.map((value) => ({ value, label: meterNames[value] }))}
          onChange={(value) => change({ meter: value, rangeOhms: null })}
        />
        {!meter.autoRange && (
          <Select
            size="small"
            aria-label={measureWords.rangeOnThe}
            value={controls.rangeOhms ?? 0}
            options={[
              { value: 0, label: measureWords.knobFollows },
              ...meter.ranges.map(({ fullOhms }) => ({ value: fullOhms, label: partOhms(fullOhms) })),
            ]}
            onChange={(value) => change({ rangeOhms: value === 0 ? null : value })}
          />
        )}
      </div>
      {refused && (
        <p role="alert" className={styles.trouble}>
          {measureWords.theBenchDid}
        </p>
      )}
    </Panel>
  );
}

function Knob({
  name,
  value,
  children,
}: {
  readonly name: string;
  readonly value: string;
  readonly children: ReactNode;
}) {
  return (
    <div className={styles.knob}>
      <span>{name}</span>
      {children}
      <b className="figures">{value}</b>
    </div>
  );
}
