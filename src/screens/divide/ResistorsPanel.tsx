'use client';

import { shortest } from '@/core/quantity/notation';
import { Button, Checkbox, Select } from 'antd';
import equal from 'fast-deep-equal';
import { useId } from 'react';
import { parseList } from '@/core/quantity/parseList';
import { changeResistors } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import type { ResistorStock } from '@/core/series/stock';
import { seriesNames } from '@/core/series/series';
import { Panel } from '@/ui/common/Panel';
import { TypedInput } from '@/ui/fields/TypedInput';
import { useTypedText } from '@/ui/fields/useQuantityText';
import { keepStock, useKeptStock } from '@/ui/library/keptStock';
import { useApply, useProject } from '@/ui/workbench/context';
import { stockNames, stockSentence } from '@/ui/words/dividing';
import styles from './DividePanel.module.css';
import { divideWords } from '@/ui/words/panels/divide';

const options = [...seriesNames, 'own' as const].map((value) => ({ value, label: stockNames[value] }));

/** What resistors and trimmers are at hand: every proposal keeps to it. */
export function ResistorsPanel() {
  const apply = useApply();
  const id = useId();
  const { resistors } = useProject();
  const kept = useKeptStock();
  const change = (part: Partial<ResistorStock>) => {
    apply(changeResistors(part));
    keepStock({ ...resistors, ...part });
  };
  return (
    <Panel title={divideWords.resistorsInStock}>
      <div className={styles.line}>
        <label htmlFor={id}>{divideWords.values}</label>
        <Select<ResistorStock['series']>
          id={id}
          value={resistors.series}
          options={options}
          onChange={(series) => change({ series })}
        />
      </div>
      {resistors.series === 'own' && (
        <ListField
          label={divideWords.ownValues}
          values={resistors.ownOhms}
          max={LIMITS.ownResistors}
          onCommit={(ownOhms) => change({ ownOhms })}
        />
      )}
      <ListField
        label={divideWords.trimmers}
        values={resistors.trimmerOhms}
        max={LIMITS.trimmers}
        onCommit={(trimmerOhms) => change({ trimmerOhms })}
      />
      <Checkbox checked={resistors.pairs} onChange={(event) => change({ pairs: event.target.checked })}>
        {divideWords.twoMayStand}
      </Checkbox>
      {kept && !equal(kept, resistors) && (
        <div className={styles.line}>
          <span className="soft">
            {divideWords.yoursElsewhere} {stockSentence(kept)}
          </span>
          <Button size="small" onClick={() => apply(changeResistors(kept))}>
            {divideWords.useYours}
          </Button>
          <Button size="small" onClick={() => keepStock(resistors)}>
            {divideWords.keepThese}
          </Button>
        </div>
      )}
    </Panel>
  );
}

interface ListFieldProps {
  readonly label: string;
  readonly values: readonly number[];
  readonly max: number;
  readonly onCommit: (values: readonly number[]) => void;
}

function ListField({ label, values, max, onCommit }: ListFieldProps) {
  const id = useId();
  const field = useTypedText<readonly number[]>(shownList(values), (text) => {
    const parsed = parseList(text, LIMITS.fixedOhms, max);
    if (parsed.ok) return { ok: true, taken: parsed.values };
    return {
      ok: false,
      sentence:
        parsed.reason === 'too-many'
          ? `Up to ${max} values.`
          : `“${parsed.text}” is no resistance. Write them like 1k 2k2 4k7.`,
    };
  });
  return (
    <div className={styles.line}>
      <label htmlFor={id}>{label}</label>
      <TypedInput
        id={id}
        field={field}
        className="figures"
        whenEmpty="1k 2k2 4k7"
        onCommit={(read) => shownList(read) !== shownList(values) && onCommit(read)}
      />
    </div>
  );
}

/** Values as they are typed: `1k 2.2k 1M`. */
function shownList(values: readonly number[]): string {
  const short = (ohms: number) => {
    if (ohms >= 1e6) return `${shortest(ohms / 1e6, 9)}M`;
    return ohms >= 1000 ? `${shortest(ohms / 1000, 9)}k` : String(ohms);
  };
  return values.map(short).join(' ');
}
