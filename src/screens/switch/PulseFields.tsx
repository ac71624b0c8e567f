'use client';

import { Button, Popover, Table } from 'antd';
import { useState } from 'react';
import {
  ONE_SHOT_LIMITS,
  oneShotSeconds,
  partsForPulse,
  pulseRange,
  pulseTable,
} from '@/core/detectors/outputStage/oneShot';
import type { OneShotParts } from '@/core/detectors/outputStage/oneShot';
import { capacitorKindOf } from '@/core/parts/kinds/capacitor';
import { toleranceOf } from '@/core/series/stock';
import { Fact } from '@/ui/common/Panel';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useProjectPart } from '@/ui/workbench/context';
import { formatQuantity } from '@/core/quantity/format';
import { partOhms } from '@/ui/words/figures';
import { timeText } from '@/ui/words/time';
import styles from './Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

interface Pulse {
  readonly ohms: number;
  readonly farads: number;
}

interface PulseFieldsProps {
  readonly pulse: Pulse;
  readonly onChange: (pulse: Pulse) => void;
}

const capacitance = (farads: number) => formatQuantity(farads, 'F', { trim: true });

/** A pulse by its parts, or the parts by its time. */
export function PulseFields({ pulse, onChange }: PulseFieldsProps) {
  const stock = useProjectPart((project) => project.resistors);
  const [refusal, setRefusal] = useState<string | null>(null);
  const seconds = oneShotSeconds(pulse.ohms, pulse.farads);
  const { min, max } = pulseRange(pulse.ohms, pulse.farads, toleranceOf(stock));
  const findFor = (wanted: number) => {
    const parts = partsForPulse(stock, wanted);
    const best = parts.ok ? parts.found[0] : undefined;
    setRefusal(
      best
        ? null
        : parts.ok || parts.reason === 'out-of-reach'
          ? 'No resistor in stock makes a pulse of that time with a capacitor that does not leak.'
          : 'No resistors are in stock.',
    );
    if (best) onChange({ ohms: best.ohms, farads: best.farads });
  };
  return (
    <>
      <QuantityField
        label={switchWords.pulse}
        unit="s"
        value={Number(seconds.toPrecision(3))}
        limits={ONE_SHOT_LIMITS.seconds}
        onCommit={findFor}
      />
      {refusal && (
        <p role="alert" className={styles.trouble}>
          {refusal}
        </p>
      )}
      <QuantityField
        label={switchWords.resistorR28}
        unit="Ω"
        value={pulse.ohms}
        limits={ONE_SHOT_LIMITS.ohms}
        onCommit={(ohms) => onChange({ ...pulse, ohms })}
      />
      <QuantityField
        label={switchWords.capacitorC2}
        unit="F"
        value={pulse.farads}
        limits={ONE_SHOT_LIMITS.farads}
        onCommit={(farads) => onChange({ ...pulse, farads })}
      />
      <Fact
        name="It lasts"
        value={timeText(seconds)}
        note={`${timeText(min)} to ${timeText(max)}, ${capacitorKindOf(pulse.farads)}`}
      />
      <p className="soft">
        t = R·C·ln 3. Triggered for longer than the pulse, the output stays on as long as the trigger.{' '}
        <Popover
          trigger="click"
          title={`With ${partOhms(pulse.ohms)}`}
          content={<PulseTable ohms={pulse.ohms} onTake={(farads) => onChange({ ...pulse, farads })} />}
        >
          <Button size="small">{switchWords.timeForEach}</Button>
        </Popover>
      </p>
    </>
  );
}

interface PulseTableProps {
  readonly ohms: number;
  readonly onTake: (farads: number) => void;
}

function PulseTable({ ohms, onTake }: PulseTableProps) {
  return (
    <div className={styles.tall}>
      <Table<OneShotParts>
        size="small"
        pagination={false}
        rowKey="farads"
        dataSource={[...pulseTable(ohms)]}
        columns={[
          {
            title: 'C',
            align: 'right',
            render: (_, { farads }) => <span className="figures">{capacitance(farads)}</span>,
          },
          {
            title: switchWords.time,
            align: 'right',
            render: (_, { seconds }) => <span className="figures">{timeText(seconds)}</span>,
          },
          {
            title: <span className="visually-hidden">{switchWords.take}</span>,
            render: (_, { farads }) => (
              <Button size="small" aria-label={`Take ${capacitance(farads)}`} onClick={() => onTake(farads)}>
                {switchWords.take}
              </Button>
            ),
          },
        ]}
      />
    </div>
  );
}
