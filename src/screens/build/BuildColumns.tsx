'use client';

import { useState } from 'react';
import type { Step } from '@/core/advise/advice';
import type { Design } from '@/core/design';
import { PanelBoundary } from '@/ui/common/PanelBoundary';
import { Choice } from '@/ui/fields/Choice';
import { buildWords } from '@/ui/words/panels/build';
import { BoardColumns } from './board/BoardColumns';
import { PartsColumns } from './parts/PartsColumns';
import { ProgramColumns } from './program/ProgramColumns';
import { SheetColumns } from './sheet/SheetColumns';
import { WiringColumns } from './wiring/WiringColumns';

const ways = [
  { value: 'parts', label: buildWords.parts },
  { value: 'board', label: buildWords.board },
  { value: 'wiring', label: buildWords.wiring },
  { value: 'sheet', label: buildWords.sheet },
  { value: 'program', label: buildWords.program },
] as const;

interface BuildColumnsProps {
  readonly design: Design;
  readonly onGo: (step: Step) => void;
}

/** Step 6: what to get, where it goes, what to join in which order, on paper, and the controller's program. */
export function BuildColumns({ design, onGo }: BuildColumnsProps) {
  const [way, setWay] = useState<(typeof ways)[number]['value']>('parts');
  const choice = <Choice block value={way} options={ways} onChange={setWay} aria-label={buildWords.ways} />;
  return (
    <PanelBoundary key={way} name="This step">
      {way === 'parts' && <PartsColumns design={design} ways={choice} />}
      {way === 'board' && <BoardColumns design={design} ways={choice} />}
      {way === 'wiring' && <WiringColumns design={design} ways={choice} />}
      {way === 'sheet' && <SheetColumns design={design} ways={choice} />}
      {way === 'program' && <ProgramColumns design={design} ways={choice} onGo={onGo} />}
    </PanelBoundary>
  );
}
