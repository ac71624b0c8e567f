import { useEffect, useMemo, useRef, useState } from 'react';
import { boardOf } from '@/core/board/board';
import type { Design } from '@/core/design';
import { DEFAULT_PRIORS, type Priors } from '@/core/faults/fault';
import { neighboursOn, type Neighbours } from '@/core/faults/neighbours';
import { meterOf, shippedMeters, type Meter } from '@/core/meter/meter';
import { exactly, within } from '@/core/schema';
import { useKept } from '@/ui/common/useKept';
import { useProject } from '@/ui/workbench/context';
import type { Bench } from '@/ui/words/check/points';
import type { RunOptions, RunOutcome, RunTrouble } from '@/workers/client';
import { findClient } from '@/workers/check/clients';
import type { FindQuestion } from '@/workers/check/table';
import { useBuilt, type Built } from '../build/useBuild';

/** The project's meter; where none is chosen the commonest kind. */
export function useMeter(): { readonly meter: Meter; readonly isChosen: boolean } {
  const { meter } = useProject();
  const shipped = shippedMeters[0];
  return useMemo(() => {
    if (meter) return { meter: meterOf(meter), isChosen: true };
    return { meter: shipped ?? meterOf('manual-2000'), isChosen: false };
  }, [meter, shipped]);
}

/** The circuit with the board that it stands on, for words about it. */
export function useBench(design: Design): { readonly bench: Bench; readonly built: Built } {
  const built = useBuilt(design);
  const bench = useMemo(
    (): Bench => ({ assembly: design.assembly, holesOf: holesOn(built) }),
    [design, built],
  );
  return { bench, built };
}

function holesOn({ layout, pieces }: Built): Bench['holesOf'] {
  if (!layout) return () => [];
  const board = boardOf(layout.board);
  const placed = new Map(layout.placed.map(({ piece, holes }) => [piece, holes]));
  return (designator, net) =>
    pieces
      .filter(({ part }) => part.designator === designator)
      .flatMap(({ id, leads }) =>
        leads.flatMap((lead, index) => {
          const hole = placed.get(id)?.[index] ?? null;
          return hole !== null && board.stripOf(hole) !== null && (net === null || lead.net === net)
            ? [hole]
            : [];
        }),
      );
}

/** What stands beside what on the board; `null` while it is not placed. */
export const useNeighbours = ({ layout, pieces }: Built): Neighbours | null =>
  useMemo(() => (layout ? neighboursOn(layout, pieces) : null), [layout, pieces]);

const share = within({ min: 0, max: 1 });
const priorsField = exactly({
  ...{ 'one-hole-off': share, 'wrong-value': share, reversed: share, 'loose-joint': share },
  ...{ exchanged: share, 'missing-ground': share, supply: share, bridge: share },
  ...{ 'left-out': share, firmware: share, 'dead-part': share, light: share },
});

/** How often things go wrong at this bench: for all projects. */
export const usePriors = () => useKept<Priors>('yemko-fault-priors', priorsField, DEFAULT_PRIORS);

/** What the fault finder is asked of a design; `null` until it is known what stands beside what on its board. */
export function useFindQuestion(built: Built): FindQuestion | null {
  const project = useProject();
  const { meter } = useMeter();
  const neighbours = useNeighbours(built);
  const [priors] = usePriors();
  const isReady = built.layout !== null || built.trouble !== null;
  return useMemo(
    () => (isReady ? { project, meter, neighbours, priors } : null),
    [isReady, project, meter, neighbours, priors],
  );
}

/** So long the page is left alone before faults are solved that nobody has asked for yet, in ms. */
const EARLY_MILLISECONDS = 100;

/**
 * Has a design's faults solved beforehand, so that they are ready when they are asked for: once, whatever is measured meanwhile.
 * @param isTime what the page itself waits for is there
 */
export function useSolvedEarly(built: Built, isTime: boolean): void {
  const question = useFindQuestion(built);
  const isBegun = useRef(false);
  useEffect(() => findClient.warm(), []);
  useEffect(() => {
    if (!isTime || !question || isBegun.current) return undefined;
    const timer = setTimeout(() => {
      isBegun.current = true;
      void findClient.run(question);
    }, EARLY_MILLISECONDS);
    return () => clearTimeout(timer);
  }, [isTime, question]);
}

interface Client<Input, Output> {
  run(input: Input, options?: RunOptions<Output>): Promise<RunOutcome<Output>>;
}

/** What a worker says of something that is always asked: the last answer stands until the next is there. */
export interface Asked<Output> {
  readonly output: Output | null;
  /** How much is done of what runs, 0 to 1; `null` while nothing does. */
  readonly running: number | null;
  readonly failed: RunTrouble | null;
}

/**
 * Asks a worker whenever the question changes; while it works on one, only the latest that follows is asked.
 * @param question `null` while there is nothing to ask yet
 */
export function useAsked<Input, Output>(
  client: Client<Input, Output>,
  question: Input | null,
): Asked<Output> {
  const key = useMemo(() => JSON.stringify(question), [question]);
  const [state, setState] = useState<Asked<Output>>({ output: null, running: null, failed: null });
  const busy = useRef(false);
  const wanted = useRef<{ readonly key: string; readonly question: Input } | null>(null);
  const isHere = useRef(true);
  useEffect(() => {
    isHere.current = true;
    return () => {
      isHere.current = false;
    };
  }, []);
  useEffect(() => {
    if (question === null) return;
    wanted.current = { key, question };
    const ask = async () => {
      while (wanted.current && isHere.current) {
        const { question: next } = wanted.current;
        wanted.current = null;
        setState((before) => ({ ...before, running: 0 }));
        const outcome = await client.run(next, {
          onProgress: (share) => isHere.current && setState((before) => ({ ...before, running: share })),
          // An answer that is there already says more, if to the question before.
          onSofar: (sofar) =>
            isHere.current && setState((before) => ({ ...before, output: before.output ?? sofar })),
        });
        if (!isHere.current) return;
        setState((before) => ({
          output: outcome.ok ? outcome.output : before.output,
          running: wanted.current ? 0 : null,
          failed: outcome.ok ? null : outcome.reason,
        }));
      }
    };
    if (busy.current) return;
    busy.current = true;
    void ask().finally(() => {
      busy.current = false;
    });
    // The question is told by its key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [client, key]);
  return state;
}
