'use client';

import { Button } from 'antd';
import { causes, DEFAULT_PRIORS, type Priors } from '@/core/faults/fault';
import { NumberField } from '@/ui/fields/NumberField';
import { causeNames } from '@/ui/words/check/faults';
import { checkWords } from '@/ui/words/panels/check';
import styles from '../Check.module.css';

interface PriorsPanelProps {
  readonly priors: Priors;
  readonly onChange: (change: Partial<Priors>) => void;
}

/** How often things go wrong, in %, to be changed to what one knows of one's own bench. */
export function PriorsPanel({ priors, onChange }: PriorsPanelProps) {
  return (
    <>
      <p className="soft">{checkWords.priorsHint}</p>
      {causes.map((cause) => (
        <NumberField
          key={cause}
          label={`${causeNames[cause]}, %`}
          value={Math.round(priors[cause] * 1000) / 10}
          limits={{ min: 0, max: 100 }}
          onCommit={(share) => onChange({ [cause]: share / 100 })}
        />
      ))}
      <Button size="small" className={styles.row ?? ''} onClick={() => onChange(DEFAULT_PRIORS)}>
        {checkWords.priorsReset}
      </Button>
    </>
  );
}
