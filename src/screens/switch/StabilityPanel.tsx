'use client';

import { useMemo } from 'react';
import type { Design } from '@/core/design';
import type { Crossing } from '@/core/light/crossing';
import { stabilityOf } from '@/core/analyse/stability';
import type { Project } from '@/core/project/project';
import { formatPercentOff } from '@/core/quantity/format';
import { detectorDefinition } from '@/core/detectors/registry';
import { drivers } from '@/core/drivers/registry';
import { Fact, Panel } from '@/ui/common/Panel';
import { useLightText, useProject } from '@/ui/workbench/context';
import { offsetDriftText, volts } from '@/ui/words/figures';
import styles from './Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

/** A change of light smaller than this share is none. */
const UNMOVED = 0.0005;

/** What makes one part differ from the next. */
const controlSpreads = { base: 'by its β', gate: 'by its threshold' } as const;
const detectorSpreads = {
  offset: 'by its offset',
  thresholds: 'by its thresholds',
  exact: 'the codes are exact',
} as const;

function spreadNote({ driver, detector }: Project): string {
  const { spread } = detectorDefinition(detector);
  return spread === 'transistor' ? controlSpreads[drivers[driver.kind].control] : detectorSpreads[spread];
}

/** How the switching light moves with warmth, supply and the part of the lot: each solved anew. */
export function StabilityPanel({ design }: { readonly design: Design }) {
  const project = useProject();
  const light = useLightText();
  const stability = useMemo(() => stabilityOf(project, design), [project, design]);
  const { half } = design;
  if (detectorDefinition(project.detector).sizes === 'none') return null;
  const moved = (ratio: number | null) =>
    ratio === null || !half.ok
      ? '–'
      : Math.abs(ratio - 1) < UNMOVED
        ? 'not moved'
        : `${ratio < 1 ? '−' : '+'}${light(Math.abs(half.lux * (ratio - 1)))}`;
  const at = (crossing: Crossing) => (crossing.ok ? light(crossing.lux) : 'never');
  const { grades } = stability;
  return (
    <Panel title={switchWords.howSteadyIt}>
      <div className={styles.facts}>
        <Fact
          name="10 °C warmer"
          value={moved(stability.perTenCelsius)}
          note={
            stability.driftPerTen !== null
              ? offsetDriftText(stability.driftPerTen - 1)
              : stability.perTenCelsius === null || Math.abs(stability.perTenCelsius - 1) < UNMOVED
                ? ''
                : formatPercentOff(stability.perTenCelsius - 1)
          }
        />
        <Fact
          name="One volt more"
          value={moved(stability.perVolt)}
          note={
            stability.perVolt === null || Math.abs(stability.perVolt - 1) < UNMOVED
              ? ''
              : formatPercentOff(stability.perVolt - 1)
          }
        />
        <Fact
          name="Weakest to strongest part"
          value={`${at(grades.min)} … ${at(grades.max)}`}
          note={spreadNote(project)}
        />
        <Fact
          name={`Supply ${volts(stability.flatVolts)} to ${volts(stability.freshVolts)}`}
          value={`${at(stability.flat)} … ${at(stability.fresh)}`}
          note={project.source.kind === 'battery' ? 'flat to fresh' : 'lowest to highest'}
        />
      </div>
    </Panel>
  );
}
