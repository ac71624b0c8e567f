'use client';

import type { Design } from '@/core/design';
import type { PlacedLoadFacts } from '@/core/analyse/loadFacts';
import type { LoadFacts } from '@/core/loads/definition';
import { changeLoad } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { Fact } from '@/ui/common/Panel';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply } from '@/ui/workbench/context';
import { amps, volts } from '@/ui/words/figures';

/** What the fields of a load are given. */
export interface LoadFieldsProps<L> {
  readonly load: L;
  readonly index: number;
  readonly facts: PlacedLoadFacts;
  readonly design: Design;
}

/** One figure of a load as a field. */
export function useFigure<L extends object>(load: L, index: number) {
  const apply = useApply();
  return function figure(key: keyof L & string, label: string, unit: 'V' | 'A' | 'Ω' | 'dB' | 'Hz') {
    const limits = {
      V: LIMITS.load.volts,
      A: LIMITS.load.amps,
      Ω: LIMITS.load.coilOhms,
      dB: LIMITS.load.decibels,
      Hz: LIMITS.load.hertz,
    }[unit];
    return (
      <QuantityField
        key={key}
        label={label}
        unit={unit}
        value={Number(load[key])}
        limits={limits}
        onCommit={(value) => apply(changeLoad({ [key]: value }, index))}
      />
    );
  };
}

/** What it gets with the switch fully on. */
export const Gets = ({ facts }: { readonly facts: LoadFacts }) => (
  <Fact name="Gets, fully on" value={volts(facts.volts)} note={amps(facts.amps)} />
);
