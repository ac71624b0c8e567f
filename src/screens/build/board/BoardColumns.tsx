'use client';

import { Button, Skeleton } from 'antd';
import { useState, type ReactNode } from 'react';
import { boardIds, boardOf } from '@/core/board/board';
import type { Layout } from '@/core/board/layout';
import { withMoved, withTurned } from '@/core/build/move';
import { HOLE_MILLIMETRES } from '@/core/build/solder';
import type { BoardFault } from '@/core/build/readBack';
import type { Design } from '@/core/design';
import { changeBuild } from '@/core/project/built/buildEdits';
import { BoardDrawing } from '@/ui/build/BoardDrawing';
import { Columns } from '@/ui/common/Columns';
import { Fact, Panel } from '@/ui/common/Panel';
import { SwitchField } from '@/ui/fields/SwitchField';
import { SelectField } from '@/ui/fields/SelectField';
import { Schematic } from '@/ui/schematic/Schematic';
import { useApply, useProject } from '@/ui/workbench/context';
import { boardFaultText, boardNames } from '@/ui/words/building';
import { buildWords } from '@/ui/words/panels/build';
import styles from '../Build.module.css';
import { useBuilt, useFaults, useWireNets, type Built } from '../useBuild';
import { SitingPanel } from './SitingPanel';
import { SolderedPanel } from './SolderedPanel';

const boardOptions = [
  { value: 'proposed', label: buildWords.proposed },
  ...boardIds.map((id) => ({ value: id, label: boardNames[id] })),
];

/** Where everything goes: placed, then moved by hand, checked at each move. */
export function BoardColumns({ design, ways }: { readonly design: Design; readonly ways: ReactNode }) {
  const project = useProject();
  const apply = useApply();
  const built = useBuilt(design);
  const faults = useFaults(built);
  const netOf = useWireNets(built);
  const { layout, pieces } = built;
  const [isMirrored, setMirrored] = useState(false);
  const take = (next: Layout) => apply(changeBuild({ layout: next }));
  const choose = (value: string) =>
    apply(changeBuild({ board: boardIds.find((id) => id === value) ?? null, layout: null }));
  return (
    <Columns
      isWoven
      left={
        <>
          <div className={styles.first}>{ways}</div>
          <Panel title={buildWords.boardTitle}>
            <SelectField
              label={buildWords.boardChoice}
              value={project.build.board ?? 'proposed'}
              options={boardOptions}
              onChange={choose}
            />
            {layout && <BoardFacts layout={layout} isByHand={built.isByHand} />}
            {built.isByHand && (
              <Button onClick={() => apply(changeBuild({ layout: null }))}>{buildWords.placeAgain}</Button>
            )}
            <p className="soft">{buildWords.boardHint}</p>
          </Panel>
          <Checked built={built} faults={faults} />
          <SitingPanel design={design} />
          <SolderedPanel pieces={pieces} />
        </>
      }
      right={
        <>
          <div className={styles.second}>
            <Panel
              title={boardTitle(built)}
              aside={<SwitchField label={buildWords.mirror} isOn={isMirrored} onChange={setMirrored} />}
            >
              {layout ? (
                <BoardDrawing
                  layout={layout}
                  pieces={pieces}
                  netOf={netOf}
                  wires={project.build.wires}
                  label={`${buildWords.boardTitle}, ${boardNames[layout.board]}`}
                  ringed={faults.flatMap(holesOf)}
                  isMirrored={isMirrored}
                  {...(isMirrored
                    ? {}
                    : {
                        onMove: (piece, move, leg) => take(withMoved(layout, piece, move, leg)),
                        onTurn: (piece) => take(withTurned(layout, piece)),
                      })}
                />
              ) : (
                !built.trouble && <Skeleton active title={false} />
              )}
            </Panel>
          </div>
          <Schematic design={design} />
        </>
      }
    />
  );
}

function boardTitle({ layout, trouble }: Built): string {
  if (layout) return boardNames[layout.board];
  return trouble ? buildWords.board : buildWords.placing;
}

function BoardFacts({ layout, isByHand }: { readonly layout: Layout; readonly isByHand: boolean }) {
  const board = boardOf(layout.board);
  const length = layout.wires.reduce((sum, { from, to }) => {
    const away = board.distance(from, to);
    return sum + (Number.isFinite(away) ? away : 0);
  }, 0);
  return (
    <>
      <Fact
        name={buildWords.figures}
        value={String(layout.wires.length)}
        note={`${Math.round((length * HOLE_MILLIMETRES) / 10)} cm in all · ${isByHand ? buildWords.byHand : buildWords.byYemko}`}
      />
      {board.seam !== null && <p>{buildWords.split}</p>}
    </>
  );
}

function Checked({ built, faults }: { readonly built: Built; readonly faults: readonly BoardFault[] }) {
  const { layout, trouble } = built;
  return (
    <Panel title={buildWords.checked}>
      <div aria-live="polite">
        {trouble && (
          <p role="alert" className={styles.trouble}>
            {trouble === 'too-large' ? buildWords.tooLarge : buildWords.failed}
          </p>
        )}
        {layout && faults.length === 0 && <p className={styles.fine}>{buildWords.asCircuit}</p>}
        {faults.length > 0 && (
          <ul className={styles.faults}>
            {faults.map((fault) => (
              <li key={boardFaultText(fault)}>{boardFaultText(fault)}</li>
            ))}
          </ul>
        )}
      </div>
    </Panel>
  );
}

function holesOf(fault: BoardFault): readonly string[] {
  switch (fault.code) {
    case 'off-board':
    case 'hole-taken':
    case 'own-row':
      return [fault.hole];
    case 'shorted':
    case 'open':
      return fault.leads.map(({ hole }) => hole);
    case 'not-placed':
    case 'does-not-fit':
      return [];
  }
}
