'use client';

import type { Design } from '@/core/design';
import type { LoadKind } from '@/core/loads/kinds';
import type { VariantName } from '@/core/project/project';
import type { Simulation } from '@/core/simulate/simulation';
import { Panel } from '@/ui/common/Panel';
import { analysisBeside } from '@/ui/workbench/analysisCache';
import { useProject } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import styles from '../Try.module.css';
import { LoadPicture } from './LoadPicture';
import { useTold, type BenchRun } from './useLiveBench';

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
        <div className={styles.loads}>{own && <Pictures run={run} simulation={own} design={design} />}</div>
        {other && analysis?.ok && (
          <div className={styles.beside}>
            <Pictures run={run} simulation={other} design={analysis.design} />
          </div>
        )}
      </div>
    </Panel>
  );
}

interface PicturesProps {
  readonly run: BenchRun;
  readonly simulation: Simulation;
  readonly design: Design;
}

function Pictures({ run, simulation, design }: PicturesProps) {
  return design.loads.map(({ kind, designator }, index) => (
    <Picture key={designator} {...{ run, simulation, index, kind, designator }} />
  ));
}

interface PictureProps extends Pick<PicturesProps, 'run' | 'simulation'> {
  readonly kind: LoadKind;
  readonly designator: string;
  readonly index: number;
}

function Picture({ run, simulation, index, kind, designator }: PictureProps) {
  const level = useTold(run, 'things', () => Math.round(simulation.levelOf(index) * 100) / 100);
  const isClosed = useTold(run, 'things', () => simulation.loads[index]?.isClosed ?? false);
  return <LoadPicture kind={kind} designator={designator} level={level} isClosed={isClosed} />;
}
