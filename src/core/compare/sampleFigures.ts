import { analyse } from '../design';
import { conflictOf } from '../advise/waysOut';
import { benchOf } from '../analyse/bench';
import { budgetOf } from '../analyse/budget';
import { midpointsOf } from '../analyse/midpoints';
import { probeOf } from '../analyse/probe';
import { ratingsOf } from '../analyse/ratings';
import { stabilityOf } from '../analyse/stability';
import { changeFacts } from '../detectors/change/facts';
import { controllerFacts } from '../detectors/controller/codes';
import { detectorOf } from '../detectors/registry';
import type { Crossing } from '../light/crossing';
import { loudnessOf } from '../loads/buzzer';
import { loadOf } from '../loads/registry';
import { contactRatingAmps } from '../loads/relay';
import type { Project } from '../project/project';
import { nextReading } from '../readings/nextReading';
import { sizingMethodsOf } from '../size/sizingMethods';
import { compareIds, compareOne } from './compare';

/** Every figure that the screens show of a project, by a name that stays: numbers, `null` for none, words for what is no number. */
export type Figures = Record<string, number | string | null>;

export function figuresOf(project: Project): Figures {
  const figures: Figures = {};
  const analysis = analyse(project);
  if (!analysis.ok) return { analysis: analysis.reason };
  const { design } = analysis;
  const put = (name: string, value: number | string | boolean | null | undefined) => {
    figures[name] = typeof value === 'boolean' ? String(value) : (value ?? null);
  };
  const point = (
    name: string,
    crossing: Crossing | { ok: true; lux: number; lowLux: number; highLux: number },
  ) => {
    put(name, crossing.ok ? crossing.lux : crossing.reason);
    if (crossing.ok && 'lowLux' in crossing) {
      put(`${name} low`, crossing.lowLux);
      put(`${name} high`, crossing.highLux);
    }
  };
  put('action', design.action);
  put('r10', design.ldr.curve.r10Ohms);
  put('gamma', design.ldr.curve.gamma);
  const next = nextReading(project, project.goal.lux);
  put('next', next?.says === 'read' ? next.lux : next?.says);
  point('just off', design.justOff);
  point('half', design.half);
  point('fully on', design.fullyOn);
  put('transition band', design.softBandRatio);
  const { drive } = design;
  put('full amps', drive.fullAmps);
  put('full switch volts', drive.fullSwitchVolts);
  put('base amps', drive.baseAmps);
  put('forced beta', drive.forcedBeta);
  put('gate volts', drive.gateVolts);
  put('guaranteed amps', drive.guaranteedAmps);
  put('saturates', drive.saturates);
  put('saturation volts', drive.saturationVolts);
  put('exact R1', design.exactFixed.ok ? design.exactFixed.ohms : design.exactFixed.reason);
  design.candidates.forEach(({ ohms, switching }, index) => {
    put(`candidate ${index} ohms`, ohms);
    point(`candidate ${index}`, switching);
  });
  const { worst, supplies } = design.extremes;
  put('worst ldr watts', worst.ldrWatts);
  put('worst ldr volts', worst.ldrVolts);
  put('worst switch volts', worst.switchVolts);
  put('worst transistor watts', worst.transistorWatts);
  supplies.forEach(({ darkAmps, brightAmps, maxAmps }, index) => {
    put(`supply ${index} dark`, darkAmps);
    put(`supply ${index} bright`, brightAmps);
    put(`supply ${index} most`, maxAmps);
  });
  budgetOf(project, design).forEach(({ darkAmps, brightAmps, maxAmps, hours }, index) => {
    put(`budget ${index} dark`, darkAmps);
    put(`budget ${index} bright`, brightAmps);
    put(`budget ${index} most`, maxAmps);
    put(`budget ${index} hours`, hours);
  });
  const { thresholds } = design;
  if (thresholds) {
    point('turn on', thresholds.turnOn);
    point('turn off', thresholds.turnOff);
    put('turn on volts', thresholds.turnOnVolts);
    put('turn off volts', thresholds.turnOffVolts);
    put('band', thresholds.bandRatio);
    put('output on volts', thresholds.onVolts);
    put('output off volts', thresholds.offVolts);
    put('output amps', thresholds.outputAmps);
    thresholds.boundaries.forEach(({ rising, falling, risingVolts }, index) => {
      point(`boundary ${index} rising`, rising);
      point(`boundary ${index} falling`, falling);
      put(`boundary ${index} volts`, risingVolts);
    });
  }
  design.loads.forEach((facts, index) => {
    put(`load ${index} amps`, facts.amps);
    put(`load ${index} volts`, facts.volts);
    put(`load ${index} watts`, facts.watts);
    put(`load ${index} series watts`, facts.seriesWatts);
    if (facts.series)
      put(`load ${index} exact series`, facts.series.ok ? facts.series.exactOhms : facts.series.reason);
    const [buzzer, relay] = [loadOf(project.loads[index], 'buzzer'), loadOf(project.loads[index], 'relay')];
    put(`load ${index} loudness`, buzzer && loudnessOf(buzzer, facts.volts));
    if (facts.lights) {
      point(`load ${index} pull-in`, facts.lights.on);
      point(`load ${index} drop-out`, facts.lights.off);
      put(`load ${index} contacts`, relay && contactRatingAmps(relay));
    }
  });
  ratingsOf(design)
    .map(({ watts }) => watts)
    .sort((one, other) => other - one)
    .slice(0, 8)
    .forEach((watts, index) => put(`hottest ${index}`, watts));
  const stability = stabilityOf(project, design);
  put('per 10 celsius', stability.perTenCelsius);
  put('per volt', stability.perVolt);
  point('weakest', stability.grades.min);
  point('strongest', stability.grades.max);
  point('flat', stability.flat);
  point('fresh', stability.fresh);
  for (const method of sizingMethodsOf(project, design)) {
    put(`sizing ${method.id}`, method.ok ? method.exactOhms : method.reason);
    if (!method.ok) continue;
    put(`sizing ${method.id} real`, method.real.ohms);
    put(`sizing ${method.id} dark`, method.figures.darkVolts);
    put(`sizing ${method.id} bright`, method.figures.brightVolts);
    put(`sizing ${method.id} octave`, method.figures.voltsPerOctave);
    point(`sizing ${method.id} switches`, method.figures.switching);
    put(`sizing ${method.id} amps`, method.figures.dividerAmps);
    put(`sizing ${method.id} watts`, method.figures.ldrWatts);
  }
  midpointsOf(project).forEach(({ volts, lowVolts, highVolts }, index) => {
    put(`midpoint ${index}`, volts);
    put(`midpoint ${index} low`, lowVolts);
    put(`midpoint ${index} high`, highVolts);
  });
  const conflict = conflictOf(project, design);
  put('conflict load ohms', conflict?.loadOhms);
  for (const { id, outcome } of conflict?.ways ?? []) {
    put(`way ${id} ohms`, outcome.fixedOhms);
    put(`way ${id} half`, outcome.halfLux);
    put(`way ${id} guaranteed`, outcome.guaranteedAmps);
  }
  const controller = detectorOf(project.detector, 'controller');
  const codes = controller && controllerFacts(controller, benchOf(project));
  if (codes) {
    put('code on', codes.on.code);
    put('code off', codes.off.code);
    put('light per code', codes.on.lightPerCode);
    put('source ohms', codes.sourceOhms);
  }
  const settings = detectorOf(project.detector, 'change');
  const change = settings && changeFacts(settings, benchOf(project));
  if (change) {
    put('change peak', change.peakVolts);
    put('change least', change.minDimming);
    put('change slowest', change.slowestSeconds);
    put('change gain', change.neededGain);
    put('change ripple', change.rippleVolts);
  }
  const probe = probeOf(project);
  for (const factor of [0.1, 0.7, 1, 1.5, 10]) {
    const reading = probe(project.goal.lux * factor);
    put(`probe ${factor} ldr`, reading?.ldrOhms);
    put(`probe ${factor} ldr amps`, reading?.ldrAmps);
    put(`probe ${factor} load amps`, reading?.loadAmps);
    put(`probe ${factor} base amps`, reading?.baseAmps);
    for (const [id, volts] of Object.entries(reading?.testPointVolts ?? {}))
      put(`probe ${factor} ${id}`, volts);
  }
  for (const id of compareIds) {
    const row = compareOne(project, id);
    put(`compare ${id} on`, row?.onLux);
    put(`compare ${id} band`, row?.bandRatio);
    put(`compare ${id} transition`, row?.softBand);
    put(`compare ${id} celsius`, row?.perTenCelsius);
    put(`compare ${id} volt`, row?.perVolt);
    put(`compare ${id} low`, row?.spread?.lowLux);
    put(`compare ${id} high`, row?.spread?.highLux);
    put(`compare ${id} off`, row?.offLux);
    put(`compare ${id} off amps`, row?.idleAmps);
  }
  return figures;
}
