'use client';

import type { Design } from '@/core/design';
import type { PlacedLoadFacts } from '@/core/analyse/loadFacts';
import type { LoadFacts } from '@/core/loads/definition';
import type { Crossing } from '@/core/light/crossing';
import { detectorDefinition } from '@/core/detectors/registry';
import { stageOf } from '@/core/detectors/stageOf';
import { changeLoad } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { Fact } from '@/ui/common/Panel';
import { QuantityField } from '@/ui/fields/QuantityField';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
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

/**
 * When a load goes on and off: by the light where it follows that; else what starts it and ends it.
 * @param none what is said where it never does
 */
export function useWhenItSwitches(
  { lights }: LoadFacts,
  none: string,
): { readonly on: string; readonly off: string } {
  const light = useLightText();
  const { detector, outputStage } = useProject();
  const { kind } = stageOf({ detector, outputStage });
  // What switches on a change has no light at which it does.
  const fires = detectorDefinition(detector).sizes === 'none';
  const { on, off, turnsOn, turnsOff } = lights ?? {};
  const at = (crossing: Crossing | undefined, otherwise: string) =>
    crossing?.ok ? light(crossing.lux) : otherwise;
  const ends = kind === 'turns-over' ? 'the next time' : fires || kind === 'pulse' ? 'at its end' : null;
  return {
    on: at(on, fires && turnsOn ? 'a change' : none),
    off: ends === null ? at(off, none) : turnsOff ? ends : none,
  };
}

/** What it gets with the switch fully on. */
export const Gets = ({ facts }: { readonly facts: LoadFacts }) => (
  <Fact name="Gets, fully on" value={volts(facts.volts)} note={amps(facts.amps)} />
);
