import { describe, expect, it } from 'vitest';
import { someProject } from '../advise/testProjects';
import { curesOf, editTo } from '../advise/remedies';
import { analyse, type Design } from '../design';
import { detectorOf } from '../detectors/registry';
import { changeDetector, changeOutputStage } from '../project/detectorEdits';
import { takeLoad, together } from '../project/edits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { defaultLoads } from '../loads/registry';
import { loadKinds } from '../loads/kinds';
import { benchOf } from '../analyse/bench';
import { changeVerdict } from '../detectors/change/facts';
import { CHANGE_LIMITS, type ChangeSettings } from '../detectors/change/settings';
import { chooseDetector } from '../size/chooseDetector';
import { promised, runs } from '../testRuns';
import { machineOf } from './machine';
import { Simulation } from './simulation';

/** So far a load comes that has half got going, and one that has; a little is lost in steps of time. */
const [HALF_WAY, ALMOST, HAIR] = [0.5, 0.8, 0.04];
/** It does not come as far for another reason, or is fired all the time. */
const OTHERWISE: readonly string[] = ['rest-fires', 'load-starved', 'supply-below-led', 'supply-over-limit'];

/** A turn of its light is seen in so many steps. */
const STEPS = 400;

const adviceOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
};

/** How far each load comes while the change that is wanted fires it; `null` where there is none, or it does not fire. */
function levelsInTime(project: Project, design: Design): readonly number[] | null {
  const settings = detectorOf(project.detector, 'change');
  if (!settings) return null;
  const { lux } = project.goal;
  const { dimming, seconds } = settings;
  const end = project.divider.ldrSide === 'bottom' ? lux * (1 - dimming) : lux / (1 - dimming);
  const simulation = new Simulation(machineOf(project, design), lux);
  const most = [...simulation.loads.keys()].map(() => 0);
  let hasFired = false;
  const see = (time: number, to: number) => {
    simulation.run(time, to);
    hasFired ||= simulation.isOn;
    most.forEach((level, index) => (most[index] = Math.max(level, simulation.levelOf(index))));
  };
  for (let step = 1; step <= STEPS; step++) see(seconds / STEPS, lux + ((end - lux) * step) / STEPS);
  for (let step = 0; step < 20 * STEPS && (!hasFired || simulation.isOn); step++)
    see(Math.max(seconds, 1) / STEPS, end);
  // A contact arrives after its coil.
  see(0.02, end);
  return hasFired ? most : null;
}

/** A change detector of any gain, capacitor and change, with any load. */
function hearing(seed: number): Project {
  const start = someProject(seed);
  const load = loadKinds[seed % loadKinds.length] ?? 'led';
  const base = together(
    chooseDetector('change'),
    takeLoad(defaultLoads[load]),
    changeOutputStage({ kind: 'direct' }),
  )({ ...sampleNamed('Marble gate'), goal: start.goal });
  const some = (power: number) => Number((10 ** power).toPrecision(2));
  const [one, two, three] = [seed % 7, seed % 5, seed % 11];
  const quiet = changeDetector('change', {
    farads: some(-8 + one / 3),
    biasOhms: some(4 + two / 3),
    seconds: some(-2 + three / 5),
  })(base);
  const settings = detectorOf(quiet.detector, 'change');
  const needed = settings ? changeVerdict(settings, benchOf<ChangeSettings>(quiet)).neededGain : null;
  const gain = Math.max(1, Number(((needed ?? 1) * (1.1 + (seed % 13) / 6)).toPrecision(3)));
  return gain > CHANGE_LIMITS.gain.max ? quiet : changeDetector('change', { gain })(quiet);
}

describe('a load that a change turns on for a moment', () => {
  it('is said not to get going just where it does not, in time', () => {
    let [asked, brief] = [0, 0];
    const wrong: string[] = [];
    for (let seed = 1; seed <= runs(1500, 20); seed++) {
      const project = { ...hearing(seed), feedbackLux: 0 };
      const { advice, drive } = adviceOf(project);
      if (!drive.saturates || advice.some(({ code }) => OTHERWISE.includes(code))) continue;
      const levels = levelsInTime(project, adviceOf(project));
      const [level] = levels ?? [];
      // A pin counts what it is told by itself, and is read by its volts.
      if (level === undefined || project.loads[0]?.kind === 'logic') continue;
      asked += 1;
      const said = advice.find(({ code }) => code === 'on-briefly');
      if (said) brief += 1;
      const isSound =
        said?.state === 'cannot'
          ? level < HALF_WAY + HAIR
          : said
            ? level > HALF_WAY - HAIR
            : level > ALMOST - HAIR;
      if (!isSound)
        wrong.push(
          `${seed} ${project.loads[0]?.kind}: ${said?.state ?? 'nothing'} said, comes to ${level.toFixed(2)}`,
        );
    }
    promised(
      'loads that a change turns on for a moment, as they do',
      `${asked - wrong.length} of ${asked}`,
      '≥ 98 %',
    );
    expect(brief).toBeGreaterThan(0);
    expect(asked).toBeGreaterThan(brief);
    expect(wrong.length / asked, wrong.join('; ')).toBeLessThan(0.02);
  });

  it('gets a pulse by a button, which lets it get going', () => {
    let cured = 0;
    for (let seed = 1; seed <= runs(300, 10); seed++) {
      const project = { ...hearing(seed), feedbackLux: 0 };
      const { advice } = adviceOf(project);
      const said = advice.find(({ code }) => code === 'on-briefly');
      if (!said || advice.some(({ state, code }) => state === 'cannot' && code !== 'on-briefly')) continue;
      const [remedy] = curesOf(project).find(({ code }) => code === 'on-briefly')?.remedies ?? [];
      expect(remedy?.changes, `${seed} ${project.loads[0]?.kind}`).toContainEqual(
        expect.objectContaining({ code: 'pulse' }),
      );
      const after = remedy ? editTo(remedy)(project) : project;
      const [level] = levelsInTime(after, adviceOf(after)) ?? [];
      expect(level, `${seed} ${project.loads[0]?.kind}`).toBeGreaterThan(ALMOST - HAIR);
      cured += 1;
    }
    expect(cured).toBeGreaterThan(0);
  });
});
