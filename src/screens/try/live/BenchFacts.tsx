'use client';

import type { Design } from '@/core/design';
import { Fact, Panel } from '@/ui/common/Panel';
import { useLightText } from '@/ui/workbench/context';
import { ohms, percent, volts } from '@/ui/words/figures';
import { tryWords } from '@/ui/words/panels/try';
import { daySpanText } from '@/ui/words/trying';
import { useTold, type BenchRun } from './useLiveBench';

/** The figures at the moment that is looked at. */
export function BenchFacts({ run, design }: { readonly run: BenchRun; readonly design: Design }) {
  const light = useLightText();
  const { bench, lookedAt } = run;
  useTold(run, 'figures', () => bench.time);
  const sample = lookedAt === null ? bench.samples.at(-1) : bench.at(lookedAt);
  const [simulation] = bench.simulations;
  if (!sample || !simulation) return null;
  const own =
    design.loads.length > 0 && simulation.ownLux > 0
      ? `and ${light(simulation.ownLux)} of its own`
      : undefined;
  const left = simulation.pulseLeft;
  return (
    <Panel title={tryWords.now}>
      <Fact name={tryWords.room} value={light(sample.lux)} note={own} />
      <Fact name={tryWords.ldr} value={ohms(sample.ohms)} />
      <Fact name={tryWords.midpoint} value={volts(sample.midVolts)} />
      <Fact
        name={tryWords.load}
        value={percent(sample.shares[0] ?? 0)}
        note={lookedAt === null && left !== null ? `${daySpanText(left)} to go` : undefined}
      />
      <Fact name={tryWords.switched} value={String(simulation.switchings)} />
    </Panel>
  );
}
