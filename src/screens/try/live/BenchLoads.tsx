'use client';

import type { Design } from '@/core/design';
import type { VariantName } from '@/core/project/project';
import type { Simulation } from '@/core/simulate/simulation';
import { Panel } from '@/ui/common/Panel';
import { analysisBeside } from '@/ui/workbench/analysisCache';
import { useProject } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import styles from '../Try.module.css';
import { LoadPicture } from './LoadPicture';
import type { BenchRun } from './useLiveBench';

interface BenchLoadsProps {
  readonly run: BenchRun;
  readonly design: Design;
  readonly beside: VariantName | null;
}

/** The loads as what they are; those of a variant beside it behind a dashed line. */
export function BenchLoads({ run, design, beside }: BenchLoadsProps) {
  const project = useProject();
  const [own, other] = run.bench.simulations;
  const analysis = beside === null ? null : analysisBeside(project, beside);
  return (
    <Panel title={tryWords.load}>
      <div className={styles.row}>
        <div className={styles.loads}>{own && <Pictures simulation={own} design={design} />}</div>
        {other && analysis?.ok && (
          <div className={styles.beside}>
            <Pictures simulation={other} design={analysis.design} />
          </div>
        )}
      </div>
    </Panel>
  );
}

function Pictures({ simulation, design }: { readonly simulation: Simulation; readonly design: Design }) {
  return design.loads.map(({ kind, designator }, index) => (
    <LoadPicture
      key={designator}
      kind={kind}
      designator={designator}
      level={simulation.levelOf(index)}
      isClosed={simulation.loads[index]?.isClosed ?? false}
    />
  ));
}
