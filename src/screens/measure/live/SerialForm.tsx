'use client';

import { Button, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { ADC_LIMITS, type LineFormat } from '@/core/live/lineProtocol';
import { LIMITS } from '@/core/project/project';
import { Choice, optionsFor } from '@/ui/fields/Choice';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useLive } from '@/ui/live/context';
import { serialSource } from '@/ui/live/sources';
import { useProject } from '@/ui/workbench/context';
import { sideNames } from '@/ui/words/names';
import styles from './Live.module.css';
import { measureWords } from '@/ui/words/panels/measure';

const bauds = [1200, 2400, 4800, 9600, 19_200, 38_400, 57_600, 115_200].map((value) => ({
  value,
  label: String(value),
}));

const lineKinds: readonly { readonly value: LineFormat['kind']; readonly label: string }[] = [
  { value: 'ohms', label: 'ohms' },
  { value: 'adc', label: measureWords.aDCCodes },
];

/** How the board on the port tells its readings, before the browser asks which port. */
export function SerialForm() {
  const { session } = useLive();
  const { divider } = useProject();
  const [kind, setKind] = useState<LineFormat['kind']>('ohms');
  const [baud, setBaud] = useState(9600);
  const [bits, setBits] = useState(10);
  const [fixedOhms, setFixedOhms] = useState(divider.fixedOhms);
  const [ldrSide, setLdrSide] = useState(divider.ldrSide);
  const format: LineFormat = kind === 'ohms' ? { kind } : { kind, bits, fixedOhms, ldrSide };
  return (
    <div className={styles.form}>
      <Choice
        aria-label={measureWords.whatEachLine}
        block
        value={kind}
        options={lineKinds}
        onChange={setKind}
      />
      <label className={styles.line}>
        Baud rate
        <Select value={baud} options={bauds} onChange={setBaud} />
      </label>
      {kind === 'adc' && (
        <>
          <label className={styles.line}>
            Bits of the converter
            <InputNumber
              min={ADC_LIMITS.bits.min}
              max={ADC_LIMITS.bits.max}
              precision={0}
              value={bits}
              onChange={(value) => setBits(value ?? 10)}
            />
          </label>
          <QuantityField
            label={measureWords.fixedResistorThere}
            unit="Ω"
            value={fixedOhms}
            limits={LIMITS.fixedOhms}
            onCommit={setFixedOhms}
          />
          <Choice
            aria-label={measureWords.whichSideThe}
            value={ldrSide}
            options={optionsFor(['top', 'bottom'] as const, (side) => sideNames[side])}
            onChange={setLdrSide}
          />
        </>
      )}
      <p className="soft">
        One reading a line, such as 4700, OL or 12.5,4700 (seconds, ohms)
        {kind === 'adc' ? '; here a code such as 512' : ''}.
      </p>
      <span>
        <Button type="primary" onClick={() => void session.connect(serialSource(format, baud))}>
          {measureWords.chooseThePort}
        </Button>
      </span>
    </div>
  );
}
