import { detectorDefinition } from '../detectors/registry';
import { cautions, type Caution } from '../loads/definition';
import { loadDefinition } from '../loads/registry';
import type { BatteryKindId } from '../loads/supply';
import type { Project } from '../project/project';

export type { Caution };

/** Cells that a short makes glow, and those that a child may swallow. */
const OF_CELLS: Readonly<Partial<Record<BatteryKindId, Caution>>> = {
  'lead-12v': 'strong-cells',
  'nimh-aa': 'strong-cells',
  'coin-3v': 'coin-cell',
};
/** From here on a capacitor is an electrolytic, which has a way round, in F. */
const ELECTROLYTIC_FARADS = 1e-6;
/** A filament lamp of so much is too hot to touch, in W. */
const HOT_WATTS = 1;

type Cautioned = Pick<Project, 'loads' | 'beam' | 'source' | 'loadSupply' | 'detector' | 'outputStage'>;

/** The cautions that apply to a project's own circuit, the gravest first; none as decoration. */
export function cautionsOf(project: Cautioned): readonly Caution[] {
  const { loads, beam, source, loadSupply } = project;
  const applying = new Set<Caution>(loads.flatMap((load) => loadDefinition(load).cautions(load)));
  if (beam) applying.add('beam');
  for (const { kind, battery } of [source, ...(loadSupply ? [loadSupply.source] : [])]) {
    const caution = kind === 'battery' ? OF_CELLS[battery] : undefined;
    if (caution) applying.add(caution);
  }
  if (loads.some((load) => loadDefinition(load).glows && wattsOf(load) >= HOT_WATTS)) applying.add('hot');
  if (capacitorsOf(project).some((farads) => farads >= ELECTROLYTIC_FARADS)) applying.add('electrolytic');
  return cautions.filter((caution) => applying.has(caution));
}

function wattsOf(load: Project['loads'][number]): number {
  return (loadDefinition(load).volts(load)?.rated ?? 0) * loadDefinition(load).nominalAmps(load);
}

/** Capacitors that a pulse or a change is timed by, in F. */
function capacitorsOf({
  detector,
  outputStage,
}: Pick<Project, 'detector' | 'outputStage'>): readonly number[] {
  const definition = detectorDefinition(detector);
  const pulse = definition.pulse(detector);
  return [
    ...(pulse ? [pulse.farads] : []),
    ...('farads' in detector ? [detector.farads] : []),
    ...(definition.takesOutputStage && 'farads' in outputStage ? [outputStage.farads] : []),
  ];
}
