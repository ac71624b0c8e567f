'use client';

import { Radio } from 'antd';

export interface ChoiceProps<T extends string> {
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
  readonly block?: boolean;
  readonly size?: 'small';
  readonly 'aria-label'?: string;
  readonly 'aria-labelledby'?: string;
}

/** One of a few, as buttons side by side. */
export function Choice<T extends string>({ options, onChange, ...rest }: ChoiceProps<T>) {
  return (
    <Radio.Group
      {...rest}
      optionType="button"
      buttonStyle="solid"
      options={[...options]}
      onChange={({ target }) => {
        const chosen = options.find(({ value }) => value === target.value);
        if (chosen) onChange(chosen.value);
      }}
    />
  );
}

/** Options to choose from, one for each of some values. */
export const optionsFor = <T extends string>(values: readonly T[], labelOf: (value: T) => string) =>
  values.map((value) => ({ value, label: labelOf(value) }));
