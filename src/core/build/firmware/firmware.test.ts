import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { analyse } from '../../design';
import { adcCode } from '../../detectors/controller/codes';
import { CONTROLLER_LIMITS } from '../../detectors/controller/definition';
import { uniforms } from '../../numeric/random';
import { isPinName } from '../../project/built/buildSettings';
import { changeBuild } from '../../project/built/buildEdits';
import { changeDetector } from '../../project/detectorEdits';
import { changeGoal, rename, takeLoad } from '../../project/edits';
import type { Project } from '../../project/project';
import { sampleProjects } from '../../project/samples';
import { sampleNamed } from '../../project/testSamples';
import { machineOf } from '../../simulate/machine';
import { Simulation } from '../../simulate/simulation';
import { defaultLoads } from '../../loads/registry';
import { chooseDetector } from '../../size/chooseDetector';
import { promised, runs } from '../../testRuns';
import { cppProgram } from './cpp';
import { pythonProgram } from './python';
import { fileNameOf, plainName, programRules, rulesWithController, type ProgramRules } from './rules';
import { compileCpp, compilePython, isThere, runCpp, runPython, type PinChanges } from './testPrograms';

const logger = sampleNamed('Birdhouse logger');

function designOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}

function rulesOf(project: Project): ProgramRules {
  const rules = programRules(project, designOf(project));
  if (!rules) throw new Error('no controller');
  return rules;
}

const hasCompiler = isThere('g++');
const hasPython = isThere('python3');
if (!hasCompiler) console.warn('g++ is not here: C++ sketches are not compiled.');
if (!hasPython) console.warn('python3 is not here: MicroPython scripts are not run.');

const whole = (limits: { readonly min: number; readonly max: number }) => fc.integer(limits);

const anyRules: fc.Arbitrary<ProgramRules> = fc
  .record({
    name: fc.string({ unit: 'binary', maxLength: 80 }),
    bits: fc.constantFrom(6, 8, 10, 12, 16),
    refVolts: fc.option(fc.double({ min: 0.5, max: 6, noNaN: true })),
    onCode: whole(CONTROLLER_LIMITS.code),
    offCode: whole(CONTROLLER_LIMITS.code),
    onWhen: fc.constantFrom('above' as const, 'below' as const),
    samples: whole(CONTROLLER_LIMITS.samples),
    minOnMilliseconds: whole({ min: 0, max: 86_400_000 }),
    onLevel: fc.constantFrom('high' as const, 'low' as const),
    toneHertz: fc.option(fc.double({ min: 20, max: 20_000, noNaN: true })),
    inputPin: fc.constantFrom('A0', 'A1', 'GP26', 'PA1', '34'),
    outputPin: fc.constantFrom('2', '13', 'A1', 'GP26'),
    curve: fc.record({
      r10Ohms: fc.double({ min: 10, max: 1e8, noNaN: true }),
      gamma: fc.double({ min: 0.2, max: 1.5, noNaN: true }),
      darkOhms: fc.option(fc.double({ min: 1e4, max: 1e9, noNaN: true })),
      brightOhms: fc.double({ min: 0, max: 1e4, noNaN: true }),
    }),
    fixedOhms: fc.double({ min: 1, max: 1e8, noNaN: true }),
    ldrSide: fc.constantFrom('top' as const, 'bottom' as const),
    tellsLux: fc.boolean(),
  })
  .map((rules) => ({
    ...rules,
    readingMilliseconds: 10,
    supplyShare: rules.refVolts ? 5 / rules.refVolts : 1,
  }));

describe('programs for a controller', () => {
  it.skipIf(!hasCompiler)('compile as C++ without a warning, whatever is set and whatever the name', () => {
    const sources: string[] = [];
    fc.assert(
      fc.property(anyRules, (rules) => {
        sources.push(cppProgram(rules));
      }),
      { numRuns: runs(1000, 240), seed: 41 },
    );
    expect(compileCpp(sources)).toBe('');
    promised('C++ sketches compiled without a warning', sources.length, `all of ${runs(1000, 240)}`);
  });

  it.skipIf(!hasPython)('compile as Python, whatever is set and whatever the name', () => {
    const sources: string[] = [];
    fc.assert(
      fc.property(anyRules, (rules) => {
        sources.push(pythonProgram(rules));
      }),
      { numRuns: runs(1000), seed: 42 },
    );
    expect(compilePython(sources)).toBe('');
    promised('MicroPython scripts compiled', sources.length, `all of ${runs(1000)}`);
  });

  it.skipIf(!hasCompiler || !hasPython)(
    'switch when the simulator does, within one averaged reading and one code',
    () => {
      let switchings = 0;
      for (const project of controllers()) {
        const rules = rulesOf(project);
        const { codes, fine, events } = recorded(project, rules);
        const on = rules.onLevel === 'high' ? 1 : 0;
        const told = (changes: PinChanges) =>
          changes.slice(1).map(([at, level]) => ({ at: at / 1000, isOn: level === on }));
        for (const changes of [runCpp(cppProgram(rules), codes), runPython(pythonProgram(rules), codes)]) {
          const program = told(changes);
          expect(program.map(({ isOn }) => isOn)).toEqual(events.map(({ isOn }) => isOn));
          let before = 0;
          program.forEach(({ at }, index) => {
            const late = Math.abs(at - events[index]!.at);
            // Where the least time on ends it, a later beginning is a later end.
            const most = rules.samples * 0.01 + 0.011 + oneCodeSeconds(fine, at) + before;
            expect(late).toBeLessThanOrEqual(most);
            before = late;
          });
          switchings += program.length;
        }
      }
      expect(switchings).toBeGreaterThan(12);
      promised(
        'switchings of programs within one averaged reading and one code of the simulator',
        switchings,
        'all',
      );
    },
  );

  it.skipIf(!hasCompiler || !hasPython)(
    'sound a buzzer that needs a tone at its own, and nothing else',
    () => {
      const plain = rulesOf(logger);
      const { codes } = recorded(logger, plain);
      const steady = runCpp(cppProgram(plain), codes);
      const on = plain.onLevel === 'high' ? 1 : 0;
      const sounding = steady.map(([at, level], index) => [at, index > 0 && level === on ? 2 : level]);
      const rules = { ...plain, toneHertz: 2700.4 };
      expect(cppProgram(rules)).toContain('tone(DRIVE_PIN, 2700U);');
      expect(pythonProgram(rules)).toContain('buzz.freq(2700)');
      expect(runCpp(cppProgram(rules), codes)).toEqual(sounding);
      expect(runPython(pythonProgram(rules), codes)).toEqual(
        runPython(pythonProgram(plain), codes).map(([at, level], index) => [
          at,
          index > 0 && level === on ? 2 : level,
        ]),
      );
    },
  );

  it('ask for a tone just where a buzzer needs one of the pin', () => {
    const withTone = (source: 'pin' | 'timer') => takeLoad({ ...defaultLoads.tone, source }, 0)(logger);
    expect(rulesOf(withTone('pin')).toneHertz).toBe(defaultLoads.tone.resonantHertz);
    expect(rulesOf(withTone('timer')).toneHertz).toBeNull();
    expect(rulesOf(logger).toneHertz).toBeNull();
  });

  it('take the upper bits of what a board reads where fewer are wanted', () => {
    expect(cppProgram({ ...rulesOf(logger), bits: 8 })).toContain('analogRead(SENSE_PIN)) >> 2;');
    expect(cppProgram({ ...rulesOf(logger), bits: 10 })).not.toContain('>>');
    expect(cppProgram({ ...rulesOf(logger), bits: 12 })).toContain('analogReadResolution(12);');
  });

  it('are offered for another way of switching only where a controller could do its job', () => {
    const offered = sampleProjects
      .filter((project) => rulesWithController(project) !== null)
      .map(({ name }) => name);
    // 12 V, a ladder's five outputs and a one-shot are none of a controller's.
    for (const name of ['Seedling shelf', 'Drying rack meter', 'Marble gate'])
      expect(offered).not.toContain(name);
    expect(offered).toContain('Birdhouse logger');
    for (const kind of ['window', 'ladder', 'change'] as const)
      expect(rulesWithController(chooseDetector(kind)(sampleNamed('Platform lamps')))).toBeNull();
  });

  it('keep a name within its line, in any script', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 80 }), (name) => {
        expect(plainName(name)).toMatch(/^[\x20-\x7e]*$/);
        expect(plainName(name)).not.toMatch(/\\|\?\?/);
        expect(fileNameOf(name)).toMatch(/^[a-z0-9-]+$/);
      }),
    );
    expect(plainName('Löschteich \\\n evil();')).toBe('Loschteich / evil();');
    expect(plainName('灯')).toBe('U+706F');
  });

  it('take pins that are names and nothing else', () => {
    for (const good of ['A0', '2', 'GP26', 'pin_3']) expect(isPinName(good)).toBe(true);
    for (const bad of ['', 'A0;', 'a b', '2)', 'é', 'thirteenletters']) expect(isPinName(bad)).toBe(false);
    const named = changeBuild({ pins: { input: 'GP26', output: '15' } })(logger);
    expect(cppProgram(rulesOf(named))).toContain('SENSE_PIN = GP26;');
    expect(pythonProgram(rulesOf(named))).toContain('ADC(Pin("GP26"))');
    expect(pythonProgram(rulesOf(named))).toContain('Pin(15, Pin.OUT');
  });

  it('are for controllers only', () => {
    for (const project of sampleProjects)
      expect(programRules(project, designOf(project)) === null).toBe(project.detector.kind !== 'controller');
  });
});

/** Controllers of several sorts: either action, bits, samples and least time on. */
function controllers(): readonly Project[] {
  return [
    logger,
    changeDetector('controller', { samples: 1, minOnSeconds: 0 })(logger),
    changeDetector('controller', { bits: 12, samples: 20, minOnSeconds: 2 })(
      chooseDetector('controller')(sampleNamed('Platform lamps')),
    ),
    rename('夜')(chooseDetector('controller')(changeGoal({ action: 'on-in-light' })(logger))),
  ];
}

/** A quarter of an hour, or a quarter of that, of light that wanders over the goal, as the pin sees it each 10 ms, and what the simulator does in it. */
function recorded(project: Project, rules: ProgramRules) {
  const design = designOf(project);
  const random = uniforms(5);
  const goal = design.half.ok ? design.half.lux : project.goal.lux;
  // From where the load is off.
  const way = design.action === 'on-in-dark' ? 1 : -1;
  const events: { at: number; isOn: boolean }[] = [];
  const light = (time: number) =>
    goal * Math.exp(way * (2.2 * Math.cos(time / 17) + 0.8 * Math.sin(time / 5.3 + 1)));
  const simulation = new Simulation(machineOf(project, design), light(0), (event) => {
    if (event.what === 'loads') events.push({ at: event.at, isOn: event.isOn });
  });
  const fullVolts = rules.refVolts ?? project.divider.supplyVolts;
  const codes: number[] = [];
  const fine: number[] = [];
  const ticks = runs(90_000, 8);
  for (let tick = 0; tick < ticks; tick++) {
    fine.push((simulation.midVolts / fullVolts) * 2 ** rules.bits);
    codes.push(adcCode(simulation.midVolts, fullVolts, rules.bits));
    simulation.run(0.01, light(tick / 100) * (1 + 0.001 * (random() - 0.5)));
  }
  return { codes, fine, events };
}

/** How long the pin takes to move by one code at a time, in s: a converter cannot tell nearer. */
function oneCodeSeconds(fine: readonly number[], at: number): number {
  const tick = Math.round(at * 100);
  const [before, after] = [fine[tick - 10]!, fine[tick + 10]!];
  return 0.2 / Math.abs(after - before);
}
