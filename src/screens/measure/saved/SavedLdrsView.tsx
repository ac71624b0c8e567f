'use client';

import { useMemo, useState } from 'react';
import type { SavedLdr } from '@/core/readings/savedLdr';
import { Columns } from '@/ui/common/Columns';
import { Panel } from '@/ui/common/Panel';
import { PanelBoundary } from '@/ui/common/PanelBoundary';
import { tables, useRecords } from '@/ui/library/useRecords';
import type { MeasureViewProps } from '../measureView';
import { BagPanel } from './BagPanel';
import { CompareChart } from './CompareChart';
import { comparedOf } from './compared';
import { LdrTable } from './LdrTable';
import { PartPanel } from './PartPanel';
import { useProject } from '@/ui/workbench/context';
import { measureWords } from '@/ui/words/panels/measure';

const none: readonly SavedLdr[] = [];

/** The measured LDRs of this browser: kept, compared, put into the project, taken together as a bag. */
export function SavedLdrsView({ design }: MeasureViewProps) {
  const project = useProject();
  const records = useRecords(tables.ldrs) ?? none;
  const ldrs = useMemo(() => [...records].sort((one, other) => one.keptAt - other.keptAt), [records]);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const chosen = useMemo(() => ldrs.filter(({ id }) => !left.has(id)), [ldrs, left]);
  const compared = useMemo(() => comparedOf(project, ldrs), [project, ldrs]);
  const choose = (id: string, isChosen: boolean) => {
    const next = new Set(left);
    if (isChosen) next.delete(id);
    else next.add(id);
    setLeft(next);
  };
  return (
    <Columns
      left={
        <>
          <PartPanel />
          <BagPanel chosen={chosen} />
        </>
      }
      right={
        <>
          <Panel title={measureWords.savedLDRs}>
            {ldrs.length === 0 ? (
              <p className="soft">{measureWords.emptyMeasureAn}</p>
            ) : (
              <LdrTable compared={compared} chosen={new Set(chosen.map(({ id }) => id))} onChoose={choose} />
            )}
          </Panel>
          <PanelBoundary name="The comparison">
            <CompareChart
              range={design.range}
              compared={compared.filter(({ ldr }) => ldr === null || !left.has(ldr.id))}
            />
          </PanelBoundary>
        </>
      }
    />
  );
}
