import { spawnSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { analyse } from '../src/core/design';
import { chooseDetector } from '../src/core/size/chooseDetector';
import { searchNow } from '../src/core/size/hysteresis';
import { DesignCircuit } from '../src/core/analyse/designCircuit';
import { ldrOf } from '../src/core/readings/ldrOf';
import { sampleProjects } from '../src/core/project/samples';
import { takeTransistor } from '../src/core/project/edits';
import { forgetAll } from '../src/core/memoize';
import type { Project } from '../src/core/project/project';
import { defaultLoads } from '../src/core/loads/registry';
import { detectorKinds } from '../src/core/detectors/kinds';
import { transistorKinds } from '../src/core/drivers/kinds';
import { defaultTransistor as defaultPart } from '../src/core/drivers/registry';
import { ldrOhmsAt } from '../src/core/ldr/curve';
import { fitLdr } from '../src/core/ldr/fitLdr';
import { decimate, ratesOver } from '../src/core/live/decimate';
import { normals } from '../src/core/numeric/random';
import { judge } from '../src/core/readings/judge';
import { measurementOf, readingOf } from '../src/core/readings/testMeasurement';
import { dayLight } from '../src/core/simulate/day/dayLight';
import { DEFAULT_DAY } from '../src/core/simulate/day/daySettings';
import { runTrack } from '../src/core/simulate/day/runDay';
import { yearOf } from '../src/core/simulate/day/year';
import { LiveBench } from '../src/core/simulate/liveBench';
import { machineOf } from '../src/core/simulate/machine';
import { DEFAULT_SPREAD } from '../src/core/spread/factors';
import { runSpread } from '../src/core/spread/spread';
import { figure, quantile, timed, type Figure } from './figure';

/** Benchmarks of the core in Node: whole analyses, and one warm operating point. */
export function coreFigures(): Figure[] {
  // First, as in C: nothing else has run before.
  const point = warmPoint();
  const kinds = transistorKinds.map((kind) => {
    const [base] = sampleProjects;
    if (!base) throw new Error('no sample');
    return { ...takeTransistor(defaultPart(kind))(base), name: `with a ${kind}` };
  });
  const switching = detectorKinds.map((kind) => {
    const [base] = sampleProjects;
    if (!base) throw new Error('no sample');
    return { ...chooseDetector(kind)(base), name: `switched by ${kind}` };
  });
  const analyses = [...sampleProjects, ...kinds, ...switching, fullSwitch()].map((project) => {
    let round = 0;
    const times = timed(300, () => {
      forgetAll();
      analyse(anotherGoal(project, round++));
    });
    return figure(`analyse ${project.name}, cold`, times, 2);
  });
  return [point, ...analyses, backwardSearch(), largeFit(), judgement(), logPicture()];
}

/** Step 5: a day with broken cloud and leaves, a year of days, ten thousand builds, all on one core; and a frame of the live bench. */
export function tryingFigures(): Figure[] {
  const named = (id: string) => {
    const project = sampleProjects.find((sample) => sample.id === id);
    if (!project) throw new Error(`no sample ${id}`);
    return project;
  };
  const [platform, shelf, rack] = ['platform-lamps', 'seedling-shelf', 'drying-rack'].map((id) =>
    named(`sample-${id}`),
  ) as [Project, Project, Project];
  const day = { ...DEFAULT_DAY, leaves: true };
  const builds = (project: Project, goal: number) =>
    figure(
      `10 000 builds of ${project.name}`,
      timed(3, () => {
        forgetAll();
        runSpread(project, DEFAULT_SPREAD);
      }),
      goal,
    );
  const analysis = analyse(platform);
  if (!analysis.ok) throw new Error(analysis.reason);
  const machine = machineOf(platform, analysis.design);
  const bench = new LiveBench([machine], 300, { beamLux: 0, unitLux: 1 });
  bench.tap('room-lamp');
  return [
    builds(platform, 1000),
    builds(shelf, 800),
    builds(rack, 4000),
    figure(
      'a day of broken cloud and leaves',
      timed(5, () => runTrack(machine, dayLight(day))),
      300,
    ),
    figure(
      'a year of days',
      timed(3, () => yearOf(day, { onLux: 60, offLux: 60, isOnInDark: true })),
      5000,
    ),
    figure(
      'a frame of the live bench, without drawing',
      timed(600, () => bench.advance(1 / 60)),
      2,
    ),
    memory(),
  ];
}

/** The project with a goal that it did not have before: nothing kept of an earlier round can answer it. */
function anotherGoal(project: Project, round: number): Project {
  const lux = project.goal.lux * 1.001 ** (round % 200);
  return { ...project, goal: { ...project.goal, lux } };
}

/** As much as one switch can have: six loads, cells, every resistor. */
function fullSwitch(): Project {
  const shed = sampleProjects[3];
  if (!shed) throw new Error('no sample');
  const loads = [
    defaultLoads.led,
    defaultLoads.buzzer,
    defaultLoads.relay,
    defaultLoads.module,
    defaultLoads.lamp,
    defaultLoads.motor,
  ];
  const divider = { ...shed.divider, ldrSeriesOhms: 100, ldrParallelOhms: 1e6 };
  return { ...shed, divider, loads, driver: { ...shed.driver, baseOhms: 470 }, name: 'with six loads' };
}

/** Parts for two lights out of E24, the whole search at once. */
function backwardSearch(): Figure {
  const shelf = sampleProjects.find(({ id }) => id === 'sample-seedling-shelf');
  if (!shelf) throw new Error('no sample');
  const project: Project = { ...shelf, resistors: { ...shelf.resistors, series: 'E24' } };
  const times = timed(12, () => searchNow(project));
  const median = quantile(times, 0.5);
  return {
    name: 'parts for two lights',
    unit: 'ms',
    median,
    p95: quantile(times, 0.95),
    goal: 'under 1000',
    ok: median < 1000,
  };
}

/** One NPN operating point a light apart from the one before, as a sweep or a dragged probe asks for it. */
function warmPoint(): Figure {
  const project = sampleProjects[0];
  if (!project) throw new Error('no sample');
  const live = DesignCircuit.of(project, ldrOf(project));
  const batch = 1000;
  let lux = 1;
  // As many as the program in C solves, in which nothing has to be warmed up.
  const times = timed(400, () => {
    for (let i = 0; i < batch; i++) {
      lux = lux > 5000 ? 1 : lux * 1.05;
      live.solveIn(0, lux);
    }
  }).map((milliseconds) => (milliseconds * 1000) / batch);
  const median = quantile(times, 0.5);
  const reference = referenceMicroseconds();
  return {
    name: 'one warm NPN operating point',
    unit: 'µs',
    median,
    p95: quantile(times, 0.95),
    goal: reference
      ? `3 × C, which took ${reference.toFixed(2)} µs`
      : 'under 20; no C compiler to compare with',
    ok: median < (reference ? 3 * reference : 20),
  };
}

/** What the same Newton takes in C on this machine, run now, in µs; `null` where there is no compiler. */
function referenceMicroseconds(): number | null {
  // Run from the project's root, wherever this has been bundled to.
  const source = join(process.cwd(), 'bench/npnReference.c');
  const program = join(mkdtempSync(join(tmpdir(), 'yemko-bench-')), 'npnReference');
  const { status } = spawnSync('cc', ['-O2', '-march=native', '-o', program, source, '-lm']);
  if (status !== 0) return null;
  const { stdout } = spawnSync(program, { encoding: 'utf8' });
  const found = /operating point: ([\d.]+) us/.exec(stdout);
  return found ? Number(found[1]) : null;
}

/** A fit of 200 readings with scatter, 60 of them over range, every kind of curve tried. */
function largeFit(): Figure {
  const normal = normals(11);
  const curve = { r10Ohms: 14_000, gamma: 0.7, darkOhms: 3e6, brightOhms: 60 };
  const observations = Array.from({ length: 200 }, (_, index) => {
    const lux = 0.004 * 1.07 ** index;
    const ohms = ldrOhmsAt(curve, lux) * Math.exp(0.03 * normal());
    return { lux, ohms: Math.min(ohms, 2e5), sigma: 0.03, above: ohms > 2e5 };
  });
  return figure(
    'fit of 200 readings',
    timed(60, () => fitLdr(observations)),
    20,
  );
}

/** All judging of 40 readings: slips, outliers, order. */
function judgement(): Figure {
  const normal = normals(12);
  const readings = (round: number) =>
    Array.from({ length: 40 }, (_, index) => {
      const lux = 0.5 * 1.3 ** index;
      return readingOf(
        `r${round}-${index}`,
        { kind: 'lux', lux },
        14_000 * (lux / 10) ** -0.7 * Math.exp(0.05 * normal()),
      );
    });
  const measurements = Array.from({ length: 60 }, (_, round) => measurementOf(readings(round)));
  let round = 0;
  return figure(
    'judging 40 readings',
    timed(30, () => judge(measurements[round++ % 60] ?? measurementOf([]))),
    20,
  );
}

/** What is drawn of a log of 100 000 points: decimated resistance and rates. */
function logPicture(): Figure {
  const n = 100_000;
  const at = Float64Array.from({ length: n }, (_, index) => index * 200);
  const ohms = Float64Array.from(
    { length: n },
    (_, index) => 5000 + 3000 * Math.sin(index / 900) + (index % 17),
  );
  const above = new Uint8Array(n);
  const end = at[n - 1] ?? 0;
  const times = timed(40, () => {
    decimate(at, ohms, 0, end, 700);
    ratesOver(at, ohms, above, 0, end, 160, end / 40);
  });
  return figure('picture of a log of 100 000 points', times, 12);
}

/** What days and builds have taken of the memory by now, all that Node itself takes counted in. */
function memory(): Figure {
  const megabytes = process.memoryUsage().rss / 1e6;
  return {
    name: 'memory after all of that',
    unit: 'MB',
    median: megabytes,
    p95: megabytes,
    goal: 'under 300',
    ok: megabytes < 300,
  };
}
