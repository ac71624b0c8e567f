'use client';

import { Checkbox, Select } from 'antd';
import type { ReactNode } from 'react';
import { delimiterNames, timeUnitNames } from '@/ui/words/measure/csv';
import { delimiters, timeUnits, type CsvMapping } from '@/workers/csv/csv';
import styles from './Csv.module.css';
import { measureWords } from '@/ui/words/panels/measure';

interface MappingFormProps {
  readonly target: 'log' | 'readings';
  readonly mapping: CsvMapping;
  readonly columns: number;
  readonly first: readonly string[];
  readonly onChange: (mapping: CsvMapping) => void;
}

const factors = [
  { value: 1, label: 'Ω' },
  { value: 1000, label: 'kΩ' },
  { value: 1_000_000, label: 'MΩ' },
] as const;

/** Which column is which, and in which units. */
export function MappingForm({ target, mapping, columns, first, onChange }: MappingFormProps) {
  const change = (part: Partial<CsvMapping>) => onChange({ ...mapping, ...part });
  const options = Array.from({ length: columns }, (_, column) => ({
    value: column,
    label: mapping.hasHeader && first[column] ? first[column] : `column ${column + 1}`,
  }));
  const isLog = target === 'log';
  return (
    <div className={styles.mapping}>
      <Choice name="Delimiter">
        <Select
          aria-label={measureWords.delimiter}
          value={mapping.delimiter}
          options={delimiters.map((value) => ({ value, label: delimiterNames[value] }))}
          onChange={(delimiter) => change({ delimiter })}
        />
      </Choice>
      <Choice name="Decimal sign">
        <Select
          aria-label={measureWords.decimalSign}
          value={mapping.decimal}
          options={[
            { value: '.' as const, label: measureWords.point15 },
            { value: ',' as const, label: measureWords.comma15 },
          ]}
          onChange={(decimal) => change({ decimal })}
        />
      </Choice>
      <Choice name={isLog ? 'Time' : 'Light'}>
        <Select
          aria-label={isLog ? 'Column of the time' : 'Column of the light'}
          value={isLog ? mapping.time : mapping.light}
          options={options}
          onChange={(column) => change(isLog ? { time: column } : { light: column })}
        />
      </Choice>
      <Choice name={isLog ? 'Time is in' : 'A bare figure is'}>
        {isLog ? (
          <Select
            aria-label={measureWords.timeIsIn}
            value={mapping.timeUnit}
            options={timeUnits.map((value) => ({ value, label: timeUnitNames[value] }))}
            onChange={(timeUnit) => change({ timeUnit })}
          />
        ) : (
          <Select
            aria-label={measureWords.aBareFigure}
            value={mapping.bare}
            options={[
              { value: 'lux' as const, label: 'lux' },
              { value: 'distance' as const, label: measureWords.cmFromThe },
            ]}
            onChange={(bare) => change({ bare })}
          />
        )}
      </Choice>
      <Choice name="Resistance">
        <Select
          aria-label={measureWords.columnOfThe}
          value={mapping.ohms}
          options={options}
          onChange={(ohms) => change({ ohms })}
        />
      </Choice>
      <Choice name="Resistance is in">
        <Select
          aria-label={measureWords.resistanceIsIn}
          value={mapping.ohmsFactor}
          options={[...factors]}
          onChange={(ohmsFactor) => change({ ohmsFactor })}
        />
      </Choice>
      <Checkbox checked={mapping.hasHeader} onChange={(event) => change({ hasHeader: event.target.checked })}>
        {measureWords.firstRowHolds}
      </Checkbox>
    </div>
  );
}

function Choice({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  return (
    <div className={styles.choice}>
      <span>{name}</span>
      {children}
    </div>
  );
}
