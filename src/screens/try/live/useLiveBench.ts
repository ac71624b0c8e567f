import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { Design } from '@/core/design';
import { ldrLuxAt } from '@/core/ldr/curve';
import type { Project, VariantName } from '@/core/project/project';
import { besideProject } from '@/core/project/variants';
import { unitLuxOf } from '@/core/simulate/hands';
import { LiveBench } from '@/core/simulate/liveBench';
import { machineOf } from '@/core/simulate/machine';
import { analysisBeside } from '@/ui/workbench/analysisCache';
import { useWorkbench } from '@/ui/workbench/context';

/** No frame lets more time pass than this, in s: a page that was hidden does not race on. */
const LONGEST_FRAME = 0.1;
/** Figures and drawing are shown anew so often, in ms; the trace with every frame. */
const SLOW_MILLISECONDS = 120;

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
  /** Called with every frame. */
  readonly onFrame: (call: () => void) => () => void;
  /** Grows a few times a second while it runs: for figures. */
  readonly tick: number;
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
  const tick = useFrames(bench, frames, isPaused ? 0 : speed);
  useShownAtProbe(bench, design, lookedAt, tick);
  return {
    ...{ bench, isPaused, lookedAt, speed, setSpeed, setPaused, onFrame: frames.follow, tick },
    lookAt: (time) => {
      if (time !== null) setPaused(true);
      lookAt(time);
    },
    restart: () => {
      lookAt(null);
      setPaused(false);
      setGeneration((count) => count + 1);
    },
  };
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
function useFrames(bench: LiveBench, frames: Ticker, speed: number): number {
  const [slow] = useState(() => new Ticker());
  useEffect(() => {
    if (speed === 0) {
      slow.tell();
      return;
    }
    let [request, before, shownAt] = [0, performance.now(), 0];
    const frame = (now: number) => {
      bench.advance(speed * Math.min(LONGEST_FRAME, Math.max(0, (now - before) / 1000)));
      before = now;
      frames.tell();
      if (now - shownAt > SLOW_MILLISECONDS) {
        shownAt = now;
        slow.tell();
      }
      request = requestAnimationFrame(frame);
    };
    request = requestAnimationFrame(frame);
    return () => cancelAnimationFrame(request);
  }, [bench, frames, slow, speed]);
  return useSyncExternalStore(slow.follow, slow.now, () => 0);
}

/** Something that tells all who follow it. */
class Ticker {
  private count = 0;
  private readonly calls = new Set<() => void>();
  readonly now = () => this.count;
  readonly follow = (call: () => void) => {
    this.calls.add(call);
    return () => this.calls.delete(call);
  };

  tell(): void {
    this.count += 1;
    for (const call of this.calls) call();
  }
}

/** Puts the probe where the LDR is now, so that the schematic shows the circuit as it is. */
function useShownAtProbe(bench: LiveBench, design: Design, lookedAt: number | null, tick: number): void {
  const { view } = useWorkbench();
  const last = useRef({ lux: NaN, position: 0 });
  useEffect(() => {
    const sample = lookedAt === null ? bench.samples.at(-1) : bench.at(lookedAt);
    const lux = sample && ldrLuxAt(design.ldr.curve, sample.ohms);
    if (!lux) return;
    const isSame = Math.abs(Math.log(lux / last.current.lux)) < 1e-4;
    if (isSame && last.current.position === sample.tablePosition) return;
    last.current = { lux, position: sample.tablePosition };
    const { minLux, maxLux } = design.range;
    const probeFrom = { position: sample.tablePosition, isHeld: true };
    view.setState({ probeLux: Math.min(maxLux, Math.max(minLux, lux)), probeFrom });
  }, [bench, design, lookedAt, tick, view]);
}
