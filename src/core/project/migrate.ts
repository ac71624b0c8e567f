/** The newest version of the Project document. */
export const PROJECT_VERSION = 16;

/** What stood in a document of an older version, not yet checked. */
type Loose = Readonly<Record<string, unknown>>;

/**
 * Steps from one version to the next, in order; append only. Each takes a document as that version wrote it and must
 * leave anything it does not know alone: the schema judges the result.
 */
const steps: readonly ((project: Loose) => Loose)[] = [
  // 1 → 2: readings can lie above a meter's range or be set aside; a project knows its meter.
  (project) => ({
    ...project,
    meter: null,
    readings: Array.isArray(project.readings)
      ? project.readings.map((reading: unknown) =>
          isRecord(reading) ? { ...reading, above: false, setAside: false } : reading,
        )
      : project.readings,
  }),
  // 2 → 3: a reading's light may be known otherwise than in lux; it knows its range, lamp, time and note. A project knows
  // its LDR, the light meter's tolerance, named levels, the ladder's lamp, a plan of lights and its bag.
  (project) => ({
    ...project,
    part: {
      name: 'LDR',
      size: '',
      mark: 'none',
      bought: '',
      mostVolts: null,
      mostWatts: null,
      riseSeconds: null,
      fallSeconds: null,
    },
    bag: null,
    lightTolerance: 0,
    levels: [],
    lampMetres: 0.02,
    plan: [],
    readings: Array.isArray(project.readings)
      ? project.readings.map((reading: unknown) => {
          if (!isRecord(reading)) return reading;
          const { lux, ...rest } = reading;
          return {
            ...rest,
            light: { kind: 'lux', lux },
            rangeOhms: null,
            lamp: null,
            takenAt: null,
            note: '',
          };
        })
      : project.readings,
  }),
  // 3 → 4: the divider may have a trimmer and resistors beside the LDR, knows its two lights and how warm it gets; a project
  // knows what resistors are at hand, and what was measured at the midpoint.
  (project) => ({
    ...project,
    divider: isRecord(project.divider)
      ? {
          ...project.divider,
          trimmer: null,
          ldrParallelOhms: null,
          ldrSeriesOhms: null,
          lights: null,
          ambientCelsius: 25,
        }
      : project.divider,
    resistors: {
      series: 'E12',
      ownOhms: [],
      ownTolerance: 0.05,
      trimmerOhms: [1000, 5000, 10_000, 25_000, 50_000, 100_000, 250_000, 500_000, 1_000_000],
      pairs: false,
    },
    midpoints: [],
  }),
  // 4 → 5: four kinds of transistor with their figures, the load at either end; several loads of many kinds; what stands
  // behind a supply, and a supply of the load's own.
  (project) => {
    const { load, stage, divider, ...rest } = project;
    return {
      ...rest,
      divider: isRecord(divider) ? { ...divider, isDirect: false } : divider,
      stage: isRecord(stage)
        ? {
            ...stage,
            part: {
              id: 'small-npn',
              name: '',
              kind: 'npn',
              saturationAmps: 2e-14,
              leastBeta: 100,
              typicalBeta: 200,
              mostBeta: 400,
              mostAmps: 0.2,
              mostBaseAmps: 0.02,
              mostVolts: 40,
              mostWatts: 0.5,
            },
            place: 'collector',
          }
        : stage,
      loads: [isRecord(load) ? { ...load, inSeries: 1, strings: 1 } : load],
      source: {
        kind: 'plain',
        battery: 'alkaline-aa',
        cells: 4,
        ohms: 0,
        lowShare: 0.95,
        highShare: 1.05,
        limitAmps: null,
        ampHours: null,
      },
      loadSupply: null,
      darkShare: 0.5,
    };
  },
  // 5 → 6: something may decide between divider and switch, and something follow it; a goal may have a light at which it
  // switches back; the load may light the LDR, and a beam stand on it; a
  // project holds variants.
  (project) => ({
    ...project,
    goal: isRecord(project.goal) ? { ...project.goal, offLux: null } : project.goal,
    decider: { kind: 'transistor' },
    after: { kind: 'straight' },
    ownLux: 0,
    beam: null,
    variant: 'A',
    others: [],
  }),
  // 6 → 7: the field's own words for keys and kinds.
  (project) => {
    const renamed = renameKeys(project);
    const others = Array.isArray(renamed.others)
      ? renamed.others.map((other: unknown) =>
          isRecord(other) && isRecord(other.circuit)
            ? { ...other, circuit: withDirectOutput(other.circuit) }
            : other,
        )
      : renamed.others;
    return { ...withDirectOutput(renamed), others };
  },
  // 7 → 8: the document is the same; a file of it may hold time logs.
  (project) => project,
  // 8 → 9: a reading may be trusted against all doubt or taken before it had settled; an LDR may serve as light meter.
  (project) => withMeasurementOf9(project),
  // 9 → 10: a relay may switch a larger one; there are more kinds of load, and an output stage that counts.
  (project) => ({
    ...withLoadsOf10(project),
    others: Array.isArray(project.others)
      ? project.others.map((other: unknown) =>
          isRecord(other) && isRecord(other.circuit)
            ? { ...other, circuit: withLoadsOf10(other.circuit) }
            : other,
        )
      : project.others,
  }),
  // 10 → 11: each variant knows how it is built.
  (project) => inEachVariant(project, notBuilt),
  // 11 → 12: and what was measured of it.
  (project) => inEachVariant(project, notChecked),
  // 12 → 13: and where it goes, and how the transistor’s legs stand.
  (project) => inEachVariant(project, onTheBench),
  // 13 → 14: a window's edges and a ladder's steps may have a band.
  (project) => inEachVariant(project, withoutEdgeBand),
  // 14 → 15: a ladder's steps may drive a transistor each.
  (project) => inEachVariant(project, onOutputsDirect),
  // 15 → 16: the timer IC of a one-shot behind a detector may be another; a ladder's goal is its first step.
  (project) => inEachVariant(project, (circuit) => onFirstStep(withPulseTimer(circuit))),
];

/** The same change of the open variant's circuit and of each other's. */
function inEachVariant(project: Loose, change: (circuit: Loose) => Loose): Loose {
  const { others } = project;
  return {
    ...change(project),
    others: Array.isArray(others)
      ? others.map((other: unknown) =>
          isRecord(other) && isRecord(other.circuit) ? { ...other, circuit: change(other.circuit) } : other,
        )
      : others,
  };
}

function withLoadsOf10(circuit: Loose): Loose {
  if (!Array.isArray(circuit.loads)) return circuit;
  const loads = circuit.loads.map((load: unknown) =>
    // Only a relay has contacts.
    isRecord(load) && 'contactAmps' in load ? { ...load, second: null } : load,
  );
  return { ...circuit, loads };
}

function withMeasurementOf9(measurement: Loose): Loose {
  return {
    ...measurement,
    lightLdr: null,
    readings: Array.isArray(measurement.readings)
      ? measurement.readings.map((reading: unknown) =>
          isRecord(reading) ? { ...reading, trusted: false, unsettledStd: 0 } : reading,
        )
      : measurement.readings,
  };
}

/**
 * Brings a saved LDR of an older version to the present one.
 * @param version of the program that wrote it, from 8
 */
export function migrateSavedLdr(record: unknown, version: number): unknown {
  if (version >= 9 || !isRecord(record) || !isRecord(record.measurement)) return record;
  return { ...record, measurement: withMeasurementOf9(record.measurement) };
}

const NEW_KEYS: Readonly<Record<string, string>> = {
  decider: 'detector',
  stage: 'driver',
  after: 'outputStage',
  ownLux: 'feedbackLux',
  joined: 'commonGround',
};

/** No document of ours goes deeper; what does is left as it is, for the schema to refuse. */
const MAX_DEPTH = 40;

/** The same value with the keys of version 7 at every depth: `leastBeta` → `minBeta`, `decider` → `detector` and so on. */
export function renameKeys<T>(value: T): T;
export function renameKeys(value: unknown): unknown {
  return renamedWithin(value, MAX_DEPTH);
}

function renamedWithin(value: unknown, depth: number): unknown {
  if (depth === 0) return value;
  if (Array.isArray(value)) return value.map((each: unknown) => renamedWithin(each, depth - 1));
  if (!isRecord(value)) return value;
  const record: Loose = Object.fromEntries(
    Object.entries(value).map(([key, each]): [string, unknown] => [
      newKey(key),
      renamedWithin(each, depth - 1),
    ]),
  );
  // A supply of which nothing more is known was called plain.
  return record.kind === 'plain' && 'cells' in record ? { ...record, kind: 'ideal' } : record;
}

const newKey = (key: string) =>
  NEW_KEYS[key] ?? key.replace(/^least(?=[A-Z])/, 'min').replace(/^most(?=[A-Z])/, 'max');

/** An output stage that is none was called straight. */
function withDirectOutput(circuit: Loose): Loose {
  const { outputStage } = circuit;
  return isRecord(outputStage) && outputStage.kind === 'straight'
    ? { ...circuit, outputStage: { ...outputStage, kind: 'direct' } }
    : circuit;
}

/**
 * Brings a document of any older version to a newer one.
 * @param version 1 to {@link PROJECT_VERSION}
 */
export function migrateProject(project: unknown, version: number, to = PROJECT_VERSION): unknown {
  if (!isRecord(project)) return project;
  return steps.slice(version - 1, to - 1).reduce((document, step) => step(document), project);
}

function notBuilt(circuit: Loose): Loose {
  return {
    ...circuit,
    build: {
      ...{ board: null, layout: null, ticked: [], copies: 1, spares: 0 },
      wires: { plus: 'red', ground: 'black', other: 'yellow' },
      pins: { input: 'A0', output: '2' },
    },
  };
}

function notChecked(circuit: Loose): Loose {
  return { ...circuit, check: { darkLux: null, brightLux: null, answers: [], symptoms: [] } };
}

function onTheBench(given: Loose): Loose {
  const circuit = withLedMaximum(given);
  if (!isRecord(circuit.build)) return circuit;
  return {
    ...circuit,
    build: {
      ...circuit.build,
      legs: '123',
      siting: {
        ...{ leadMetres: 0, leads: 'plain', isNearMains: false },
        ...{ clearShare: 1, box: 'open', isReached: true },
      },
    },
  };
}

/** Of an LED, which alone has a forward voltage, nobody could say what it takes for long. */
function withLedMaximum(circuit: Loose): Loose {
  const { loads } = circuit;
  if (!Array.isArray(loads)) return circuit;
  const each = (load: unknown) =>
    isRecord(load) && 'forwardVolts' in load ? { ...load, maxAmps: null } : load;
  return { ...circuit, loads: loads.map(each) };
}

/** A string of two taps or more is a window's or a ladder's: each of its edges was passed at one light on either way. */
function withoutEdgeBand(circuit: Loose): Loose {
  const { detector } = circuit;
  const hasEdges = isRecord(detector) && ('middleOhms' in detector || 'stringOhms' in detector);
  return hasEdges ? { ...circuit, detector: { ...detector, hysteresis: null } } : circuit;
}

/** A string of any length is a ladder's, and what was said of its outputs counted for nothing: each drove its load. */
function onOutputsDirect(circuit: Loose): Loose {
  const { detector } = circuit;
  if (!isRecord(detector) || !('stringOhms' in detector)) return circuit;
  const { output } = detector;
  const direct = isRecord(output) ? { ...output, to: 'load', loadRail: 'supply' } : output;
  return { ...circuit, detector: { ...detector, pullUpOhms: 10_000, output: direct } };
}

/** A one-shot behind a detector was the one timer IC. */
function withPulseTimer(circuit: Loose): Loose {
  const { outputStage } = circuit;
  if (!isRecord(outputStage) || outputStage.kind !== 'one-shot') return circuit;
  const part = {
    ...{ id: 'bipolar-timer', name: '', biasAmps: 1e-7, lowVolts: 0.1, highVolts: 1.4, outputOhms: 10 },
    ...{ maxAmps: 0.2, idleAmps: 0.003, minSupplyVolts: 4.5, maxSupplyVolts: 16, stringOhms: 5000 },
    thresholdShare: 0.04,
  };
  return { ...circuit, outputStage: { ...outputStage, part } };
}

/** A goal that was dragged left a ladder's steps behind: they say what was wanted. */
function onFirstStep(circuit: Loose): Loose {
  const { detector, goal } = circuit;
  if (!isRecord(detector) || !isRecord(goal) || !Array.isArray(detector.stepLux)) return circuit;
  const steps = detector.stepLux.filter((lux) => typeof lux === 'number');
  if (steps.length === 0) return circuit;
  const lux = detector.moreIn === 'dark' ? Math.max(...steps) : Math.min(...steps);
  return { ...circuit, goal: { ...goal, lux } };
}

function isRecord(value: unknown): value is Loose {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
