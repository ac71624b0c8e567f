'use client';

import { useState } from 'react';
import type { Step } from '@/core/advise/advice';
import type { Design } from '@/core/design';
import { PanelBoundary } from '@/ui/common/PanelBoundary';
import { Choice } from '@/ui/fields/Choice';
import { tryWords } from '@/ui/words/panels/try';
import { DayColumns } from './day/DayColumns';
import { LiveColumns } from './live/LiveColumns';
import { PredictColumns } from './predict/PredictColumns';
import { SpreadColumns } from './spread/SpreadColumns';

const ways = [
  { value: 'live', label: tryWords.live },
  { value: 'day', label: tryWords.day },
  { value: 'spread', label: tryWords.spread },
  { value: 'predict', label: tryWords.predict },
] as const;

interface TryColumnsProps {
  readonly design: Design;
  readonly onGo: (step: Step) => void;
}

/** Step 5: the design in time before it is soldered, through a day, and from a bag of parts. */
export function TryColumns({ design, onGo }: TryColumnsProps) {
  const [way, setWay] = useState<(typeof ways)[number]['value']>('live');
  const choice = <Choice block value={way} options={ways} onChange={setWay} aria-label={tryWords.ways} />;
  return (
    <PanelBoundary key={way} name="This step">
      {way === 'live' && <LiveColumns design={design} ways={choice} />}
      {way === 'day' && <DayColumns design={design} ways={choice} />}
      {way === 'predict' && <PredictColumns design={design} ways={choice} />}
      {way === 'spread' && <SpreadColumns design={design} ways={choice} onGo={onGo} />}
    </PanelBoundary>
  );
}
