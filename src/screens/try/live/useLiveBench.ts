import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { Design } from '@/core/design';
import { ldrLuxAt } from '@/core/ldr/curve';
import type { Project, VariantName } from '@/core/project/project';
import { besideProject } from '@/core/project/variants';
import { unitLuxOf, type Hand } from '@/core/simulate/hands';
import { LiveBench } from '@/core/simulate/liveBench';
import { machineOf } from '@/core/simulate/machine';
import { analysisBeside } from '@/ui/workbench/analysisCache';
import { useWorkbench } from '@/ui/workbench/context';

/** No frame lets more time pass than this, in s: a page that was hidden does not race on. */
const LONGEST_FRAME = 0.1;
/** Figures and drawing are shown anew so often, in ms; the trace with every frame. */
export const SLOW_MILLISECONDS = 160;

/** A bench that runs in the page, and what there is to do with it. */
export interface BenchRun {
  readonly bench: LiveBench;
  readonly isPaused: boolean;
  /** The moment that is looked at, in s; `null` for the present one. */
  readonly lookedAt: number | null;
  readonly speed: number;
  readonly setSpeed: (speed: number) => void;
  readonly setPaused: (isPaused: boolean) => void;
  readonly lookAt: (time: number | null) => void;
  readonly restart: () => void;
  /** Does something to the light, or turns it; shown at once, also while the time stands. */
  readonly tap: (hand: Hand) => void;
  readonly turnTo: (lux: number) => void;
  /** Called with every frame. */
  readonly frames: Ticker;
  /** Told a few times a second while it runs, one kind of picture after the other so that no frame has to draw them all. */
  readonly ticks: Readonly<Record<Turn, Ticker>>;
}

/** Whose turn it is to be shown anew: the figures, what has happened and the loads, or the schematic. */
type Turn = 'figures' | 'things' | 'schematic';
const turns: readonly Turn[] = ['figures', 'things', 'schematic'];

/** A narrow value of the bench, read anew at each turn of its kind. */
export function useTold<T>(run: BenchRun, turn: Turn, read: () => T): T {
  return useSyncExternalStore(run.ticks[turn].follow, read, read);
}

/** A live bench of a design, with another variant under the same hand where one is named. */
export function useLiveBench(project: Project, design: Design, beside: VariantName | null): BenchRun {
  const [generation, setGeneration] = useState(0);
  const [isPaused, setPaused] = useState(false);
  const [speed, setSpeed] = useState(1);
  const [lookedAt, lookAt] = useState<number | null>(null);
  const bench = useMemo(() => {
    void generation;
    return benchOf(project, design, beside);
  }, [project, design, beside, generation]);
  const [frames] = useState(() => new Ticker());
  const [ticks] = useState(() => ({
    figures: new Ticker(),
    things: new Ticker(),
    schematic: new Ticker(),
  }));
  useFrames(bench, frames, ticks, isPaused ? 0 : speed);
  useShownAtProbe(bench, design, lookedAt, ticks.schematic);
  return useMemo(
    () => ({
      ...{ bench, isPaused, lookedAt, speed, setSpeed, setPaused, frames, ticks },
      lookAt: (time) => {
        if (time !== null) setPaused(true);
        lookAt(time);
      },
      restart: () => {
        lookAt(null);
        setPaused(false);
        setGeneration((count) => count + 1);
      },
      tap: (hand) => {
        bench.tap(hand);
        ticks.figures.tell();
      },
      turnTo: (lux) => {
        bench.turnTo(lux);
        ticks.figures.tell();
      },
    }),
    [bench, isPaused, lookedAt, speed, frames, ticks],
  );
}

function benchOf(project: Project, design: Design, beside: VariantName | null): LiveBench {
  const machines = [machineOf(project, design)];
  if (beside !== null) {
    const analysis = analysisBeside(project, beside);
    if (analysis?.ok) machines.push(machineOf(besideProject(project, beside), analysis.design));
  }
  const { goal, beam } = project;
  const { scale } = design.resolved;
  // From where the load is off, a little way from the goal.
  const start = goal.action === 'on-in-dark' ? goal.lux * START_RATIO : goal.lux / START_RATIO;
  return new LiveBench(machines, beam ? beam.ambientLux + beam.beamLux : start, {
    beamLux: beam?.beamLux ?? 0,
    unitLux: unitLuxOf(scale, goal.lux),
  });
}

const START_RATIO = 6;

/** Lets the time of the bench go with the page's frames. */
function useFrames(bench: LiveBench, frames: Ticker, ticks: BenchRun['ticks'], speed: number): void {
  useEffect(() => {
    if (speed === 0) {
      for (const turn of turns) ticks[turn].tell();
      return;
    }
    let [request, before, shownAt, next] = [0, performance.now(), 0, 0];
    const frame = (now: number) => {
      bench.advance(speed * Math.min(LONGEST_FRAME, Math.max(0, (now - before) / 1000)));
      before = now;
      frames.tell();
      const turn = turns[next];
      if (turn && now - shownAt > SLOW_MILLISECONDS / turns.length) {
        shownAt = now;
        next = (next + 1) % turns.length;
        ticks[turn].tell();
      }
      request = requestAnimationFrame(frame);
    };
    request = requestAnimationFrame(frame);
    return () => cancelAnimationFrame(request);
  }, [bench, frames, ticks, speed]);
}

/** Something that tells all who follow it. */
export class Ticker {
  private count = 0;
  private readonly calls = new Set<() => void>();
  readonly now = () => this.count;
  readonly follow = (call: () => void) => {
    this.calls.add(call);
    return () => void this.calls.delete(call);
  };

  tell(): void {
    this.count += 1;
    for (const call of this.calls) call();
  }
}

/** Puts the probe where the LDR is now, so that the schematic shows the circuit as it is. */
function useShownAtProbe(bench: LiveBench, design: Design, lookedAt: number | null, ticker: Ticker): void {
  const { view } = useWorkbench();
  const last = useRef({ lux: NaN, position: 0 });
  useEffect(() => {
    const show = () => {
      const sample = lookedAt === null ? bench.samples.at(-1) : bench.at(lookedAt);
      const lux = sample && ldrLuxAt(design.ldr.curve, sample.ohms);
      if (!lux) return;
      const isSame = Math.abs(Math.log(lux / last.current.lux)) < 1e-4;
      if (isSame && last.current.position === sample.tablePosition) return;
      last.current = { lux, position: sample.tablePosition };
      const { minLux, maxLux } = design.range;
      const probeFrom = { position: sample.tablePosition, isHeld: true };
      view.setState({ probeLux: Math.min(maxLux, Math.max(minLux, lux)), probeFrom });
    };
    show();
    return ticker.follow(show);
  }, [bench, design, lookedAt, ticker, view]);
}
