'use client';

import { Alert } from 'antd';
import { useState, type ReactNode } from 'react';
import type { Step } from '@/core/advise/advice';
import type { Design } from '@/core/design';
import { detectorDefinition } from '@/core/detectors/registry';
import { DEFAULT_SPREAD, SPREAD_LIMITS, type SpreadOptions } from '@/core/spread/factors';
import { Columns } from '@/ui/common/Columns';
import { Panel } from '@/ui/common/Panel';
import { useWork } from '@/ui/common/useWork';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { NumberField } from '@/ui/fields/NumberField';
import { WholeField } from '@/ui/fields/WholeField';
import { useProject } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import { spreadRunner } from '@/workers/try/clients';
import { WorkStart } from '@/ui/common/WorkStart';
import { ContributionPanel } from './ContributionPanel';
import { Histogram } from './Histogram';
import { PayoffPanel } from './PayoffPanel';
import { SpreadFacts } from './SpreadFacts';
import { WhichLdrPanel } from './WhichLdrPanel';

const goals = [
  { value: 'meter', label: tryWords.asMeter },
  { value: 'true', label: tryWords.trueLux },
] as const;

interface SpreadColumnsProps {
  readonly design: Design;
  readonly ways: ReactNode;
  readonly onGo: (step: Step) => void;
}

/** A design built many times over from parts as they come. */
export function SpreadColumns({ design, ways, onGo }: SpreadColumnsProps) {
  const project = useProject();
  const [options, setOptions] = useState<SpreadOptions>(DEFAULT_SPREAD);
  const change = (part: Partial<SpreadOptions>) => setOptions((present) => ({ ...present, ...part }));
  const key = JSON.stringify({ ...project, name: '', options });
  const work = useWork(spreadRunner, { project, options }, key);
  const summary = work.result?.ok ? work.result.summary : null;
  const { builds, minCelsius, maxCelsius, limitRatio, isTrueLux } = options;
  const hasMeter = design.ldr.source === 'measured' && design.ldr.lightStd > 0;
  if (detectorDefinition(project.detector).sizes === 'none')
    return <Columns left={ways} right={<Alert type="info" title={tryWords.noSwitch} />} />;
  return (
    <Columns
      left={
        <>
          {ways}
          <Panel title={tryWords.bagTitle}>
            <WholeField
              label={tryWords.builds}
              value={builds}
              limits={SPREAD_LIMITS.builds}
              onCommit={(value) => change({ builds: value })}
            />
            <NumberField
              label={`${tryWords.coldest}, °C`}
              value={minCelsius}
              limits={{ min: SPREAD_LIMITS.celsius.min, max: maxCelsius }}
              onCommit={(value) => change({ minCelsius: value })}
            />
            <NumberField
              label={`${tryWords.warmest}, °C`}
              value={maxCelsius}
              limits={{ min: minCelsius, max: SPREAD_LIMITS.celsius.max }}
              onCommit={(value) => change({ maxCelsius: value })}
            />
            <NumberField
              label={`${tryWords.limit}, %`}
              value={Math.round(100 * (limitRatio - 1))}
              limits={{ min: 1, max: 900 }}
              onCommit={(value) => change({ limitRatio: 1 + value / 100 })}
            />
            {hasMeter && (
              <ChoiceField
                label={tryWords.lamps}
                value={isTrueLux ? 'true' : 'meter'}
                options={goals}
                onChange={(value) => change({ isTrueLux: value === 'true' })}
              />
            )}
            <WorkStart work={work} name={tryWords.build} isPrimary />
          </Panel>
        </>
      }
      right={
        summary ? (
          <>
            <SpreadFacts summary={summary} options={options} design={design} />
            <Panel title={tryWords.histogram}>
              <Histogram summary={summary} goal={project.goal} />
            </Panel>
            <ContributionPanel summary={summary} />
            <PayoffPanel options={options} onGo={onGo} />
            <WhichLdrPanel />
          </>
        ) : (
          <Alert type="info" title={tryWords.bagHint} />
        )
      }
    />
  );
}
