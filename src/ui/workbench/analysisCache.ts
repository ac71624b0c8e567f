import { analyse } from '@/core/design';
import type { Analysis } from '@/core/design';
import { probeOf } from '@/core/analyse/probe';
import type { Circuitry, Project, VariantName } from '@/core/project/project';
import { besideProject, shareAll } from '@/core/project/variants';

// A project is immutable, so what follows from it is found once and kept as long as the project is.
const analyses = new WeakMap<Project, Analysis>();
const probes = new WeakMap<Project, ReturnType<typeof probeOf>>();

export function analysisOf(project: Project): Analysis {
  return kept(analyses, project, analyse);
}

/** The project's probe. The last light it was asked for is answered from memory: many parts of the screen ask for it. */
export function probeFor(project: Project): ReturnType<typeof probeOf> {
  return kept(probes, project, (design) => {
    const probe = probeOf(design);
    let last: { lux: number; reading: ReturnType<typeof probe> } | undefined;
    return (lux) => {
      if (last?.lux !== lux) last = { lux, reading: probe(lux) };
      return last.reading;
    };
  });
}

const besides = new WeakMap<Circuitry, { readonly of: Project; readonly analysis: Analysis }>();

/**
 * What follows from a variant that is not open; `null` where there is none of that name. It is kept through changes of the
 * open one: neither its own circuit nor what the variants share has changed then.
 */
export function analysisBeside(project: Project, name: VariantName): Analysis | null {
  const circuit = project.others.find((other) => other.name === name)?.circuit;
  if (!circuit) return null;
  const known = besides.get(circuit);
  if (known && shareAll(known.of, project)) return known.analysis;
  const analysis = analyse(besideProject(project, name));
  besides.set(circuit, { of: project, analysis });
  return analysis;
}

function kept<T>(cache: WeakMap<Project, T>, project: Project, find: (project: Project) => T): T {
  const known = cache.get(project);
  if (known !== undefined) return known;
  const found = find(project);
  cache.set(project, found);
  return found;
}
