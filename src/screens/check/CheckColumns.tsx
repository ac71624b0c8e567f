'use client';

import { useState } from 'react';
import type { Design } from '@/core/design';
import { PanelBoundary } from '@/ui/common/PanelBoundary';
import { Choice } from '@/ui/fields/Choice';
import { checkWords } from '@/ui/words/panels/check';
import { FindColumns } from './find/FindColumns';
import { LogbookColumns } from './logbook/LogbookColumns';
import { PointsColumns } from './points/PointsColumns';
import { PracticeColumns } from './practice/PracticeColumns';

const ways = [
  { value: 'points', label: checkWords.points },
  { value: 'find', label: checkWords.find },
  { value: 'practice', label: checkWords.practice },
  { value: 'logbook', label: checkWords.logbook },
] as const;

/** Step 7: what the meter should show, what is wrong where it does not, and what was written down. */
export function CheckColumns({ design }: { readonly design: Design }) {
  const [way, setWay] = useState<(typeof ways)[number]['value']>('points');
  const choice = <Choice block value={way} options={ways} onChange={setWay} aria-label={checkWords.ways} />;
  return (
    <PanelBoundary key={way} name="This step">
      {way === 'points' && <PointsColumns design={design} ways={choice} onFind={() => setWay('find')} />}
      {way === 'find' && <FindColumns design={design} ways={choice} />}
      {way === 'practice' && <PracticeColumns design={design} ways={choice} />}
      {way === 'logbook' && <LogbookColumns design={design} ways={choice} />}
    </PanelBoundary>
  );
}
