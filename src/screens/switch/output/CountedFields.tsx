'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { COUNTED_LIMITS, countedRange, partsForCount } from '@/core/detectors/outputStage/counted';
import type { OneShotParts } from '@/core/detectors/outputStage/oneShot';
import { countedSeconds } from '@/core/parts/kinds/counter';
import { formatQuantity } from '@/core/quantity/format';
import { toleranceOf } from '@/core/series/stock';
import { Fact } from '@/ui/common/Panel';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useProjectPart } from '@/ui/workbench/context';
import { partOhms } from '@/ui/words/figures';
import { switchWords } from '@/ui/words/panels/switch';
import { timeText } from '@/ui/words/time';
import styles from '../Switch.module.css';

interface Counted {
  readonly ohms: number;
  readonly farads: number;
}

interface CountedFieldsProps {
  readonly counted: Counted;
  readonly onChange: (counted: Counted) => void;
}

/** Minutes and hours by a counter: its time, or the parts of its oscillator. */
export function CountedFields({ counted, onChange }: CountedFieldsProps) {
  const stock = useProjectPart((project) => project.resistors);
  const [refused, setRefused] = useState<{ readonly nearest: OneShotParts | null } | null>(null);
  const { ohms, farads } = counted;
  const seconds = countedSeconds(ohms, farads);
  const { min, max } = countedRange(ohms, farads, toleranceOf(stock));
  const findFor = (wanted: number) => {
    const parts = partsForCount(stock, wanted);
    setRefused(parts.ok ? null : { nearest: parts.reason === 'out-of-reach' ? parts.nearest : null });
    if (parts.ok) onChange({ ohms: parts.found.ohms, farads: parts.found.farads });
  };
  const take = ({ nearest }: { readonly nearest: OneShotParts | null }) => {
    setRefused(null);
    if (nearest) onChange({ ohms: nearest.ohms, farads: nearest.farads });
  };
  return (
    <>
      <QuantityField
        label={switchWords.onFor}
        unit="min"
        value={Number((seconds / 60).toPrecision(3))}
        limits={COUNTED_LIMITS.minutes}
        onCommit={(minutes) => findFor(60 * minutes)}
      />
      {refused && (
        <p role="alert" className={styles.trouble}>
          {refused.nearest ? switchWords.noSuchCount : switchWords.noResistors}{' '}
          {refused.nearest && (
            <Button size="small" onClick={() => take(refused)}>
              Take {timeText(refused.nearest.seconds)}
            </Button>
          )}
        </p>
      )}
      <QuantityField
        label={switchWords.resistorR28}
        unit="Ω"
        value={ohms}
        limits={COUNTED_LIMITS.ohms}
        onCommit={(value) => onChange({ ohms: value, farads })}
      />
      <QuantityField
        label={switchWords.capacitorC2}
        unit="F"
        value={farads}
        limits={COUNTED_LIMITS.farads}
        onCommit={(value) => onChange({ ohms, farads: value })}
      />
      <Fact
        name={switchWords.itLasts}
        value={timeText(seconds)}
        note={`${timeText(min)} to ${timeText(max)}, R38 ${partOhms(10 * ohms)}`}
      />
      <p className="soft">
        t = 2¹³ · 2.3 · R·C, with {formatQuantity(farads, 'F', { trim: true })} as film or ceramic.
      </p>
    </>
  );
}
