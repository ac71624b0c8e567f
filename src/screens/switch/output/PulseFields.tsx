'use client';

import { Button, Table } from 'antd';
import { Popped } from '@/ui/common/Popped';
import { useState } from 'react';
import { ONE_SHOT_LIMITS, partsForPulse, pulseRange, pulseTable } from '@/core/detectors/outputStage/oneShot';
import type { OneShotParts, TimedPulse } from '@/core/detectors/outputStage/oneShot';
import { pulseSeconds, TWO_THIRDS } from '@/core/parts/kinds/timer';
import { capacitorKindOf } from '@/core/parts/kinds/capacitor';
import { toleranceOf } from '@/core/series/stock';
import { Fact } from '@/ui/common/Panel';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useProjectPart } from '@/ui/workbench/context';
import { formatQuantity } from '@/core/quantity/format';
import { partOhms, percent } from '@/ui/words/figures';
import { timeText } from '@/ui/words/time';
import styles from '../Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

interface PulseFieldsProps {
  readonly pulse: TimedPulse;
  readonly onChange: (pulse: Pick<TimedPulse, 'ohms' | 'farads'>) => void;
}

const capacitance = (farads: number) => formatQuantity(farads, 'F', { trim: true });

/** Why no parts were found, with the nearest time that some make. */
function refusalOf(refused: Extract<ReturnType<typeof partsForPulse>, { readonly ok: false }>) {
  if (refused.reason === 'empty-stock') return { why: switchWords.noResistors, nearest: null };
  const { nearest } = refused;
  const longest = nearest ? ` The nearest is ${timeText(nearest.seconds)}.` : '';
  return { why: `${switchWords.noSuchPulse}${longest} ${switchWords.longerPulses}`, nearest };
}

/** What its time follows from. @param share of the supply where the control pin stands */
const formulaOf = (share: number) =>
  share === TWO_THIRDS
    ? 't = R·C·ln 3.'
    : `t = ${Number((-Math.log1p(-share)).toPrecision(3))}·R·C, ended by the control pin at ${percent(share)} of the supply.`;

/** A pulse by its parts, or the parts by its time. */
export function PulseFields({ pulse, onChange }: PulseFieldsProps) {
  const stock = useProjectPart((project) => project.resistors);
  const [refused, setRefused] = useState<{
    readonly why: string;
    readonly nearest: OneShotParts | null;
  } | null>(null);
  const { ohms: timing, farads, share } = pulse;
  const seconds = pulseSeconds(timing, farads, share);
  const { min, max } = pulseRange(pulse, toleranceOf(stock));
  const findFor = (wanted: number) => {
    const parts = partsForPulse(stock, wanted, share);
    const best = parts.ok ? parts.found[0] : undefined;
    setRefused(parts.ok ? null : refusalOf(parts));
    if (best) onChange({ ohms: best.ohms, farads: best.farads });
  };
  const takeNearest = (nearest: OneShotParts | null) => {
    setRefused(null);
    if (nearest) onChange({ ohms: nearest.ohms, farads: nearest.farads });
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
      {refused && (
        <p role="alert" className={styles.trouble}>
          {refused.why}{' '}
          {refused.nearest && (
            <Button size="small" onClick={() => takeNearest(refused.nearest)}>
              Use {partOhms(refused.nearest.ohms)} and {capacitance(refused.nearest.farads)}
            </Button>
          )}
        </p>
      )}
      <QuantityField
        label={switchWords.resistorR28}
        unit="Ω"
        value={timing}
        limits={ONE_SHOT_LIMITS.ohms}
        onCommit={(ohms) => onChange({ ohms, farads })}
      />
      <QuantityField
        label={switchWords.capacitorC2}
        unit="F"
        value={farads}
        limits={ONE_SHOT_LIMITS.farads}
        onCommit={(value) => onChange({ ohms: timing, farads: value })}
      />
      <Fact
        name="It lasts"
        value={timeText(seconds)}
        note={`${timeText(min)} to ${timeText(max)}, ${capacitorKindOf(farads)}`}
      />
      <p className="soft">
        {formulaOf(share)} Triggered for longer than the pulse, the output stays on as long as the trigger.{' '}
        <Popped
          title={`With ${partOhms(timing)}`}
          content={<PulseTable pulse={pulse} onTake={(value) => onChange({ ohms: timing, farads: value })} />}
        >
          <Button size="small">{switchWords.timeForEach}</Button>
        </Popped>
      </p>
    </>
  );
}

interface PulseTableProps {
  readonly pulse: Pick<TimedPulse, 'ohms' | 'share'>;
  readonly onTake: (farads: number) => void;
}

function PulseTable({ pulse: { ohms, share }, onTake }: PulseTableProps) {
  return (
    <div className={styles.tall}>
      <Table<OneShotParts>
        size="small"
        pagination={false}
        rowKey="farads"
        dataSource={[...pulseTable(ohms, share)]}
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
