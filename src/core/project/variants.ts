import { keysOf } from '../record';
import { NOT_CHECKED } from './built/checkSettings';
import type { Edit } from './edits';
import { variantNames, type Circuitry, type Project, type VariantName } from './project';

/** What a project's open variant has of its own. */
export function circuitOf(project: Project): Circuitry {
  const { goal, divider, driver, detector, outputStage, feedbackLux, beam } = project;
  const { loads, source, loadSupply, build, check } = project;
  return {
    ...{ goal, divider, driver, detector, outputStage, feedbackLux, beam },
    ...{ loads, source, loadSupply, build, check },
  };
}

/** Whether two states of a project have all in common that their variants share: readings, meter, drawer and the like. */
export function shareAll(one: Project, other: Project): boolean {
  const own = new Set<string>(['variant', 'others', ...Object.keys(circuitOf(one))]);
  return keysOf(one).every((key) => own.has(key) || one[key] === other[key]);
}

/** Every variant of a project by name, the open one among them. */
export function variantsOf(
  project: Project,
): readonly { readonly name: VariantName; readonly circuit: Circuitry }[] {
  const all = [{ name: project.variant, circuit: circuitOf(project) }, ...project.others];
  return all.sort((one, other) => one.name.localeCompare(other.name));
}

/** The first name that no variant has; `null` once there are as many as there may be. */
export function freeVariant({ variant, others }: Project): VariantName | null {
  return (
    variantNames.find((name) => name !== variant && others.every((other) => other.name !== name)) ?? null
  );
}

/** Sets the open variant aside as it is and goes on with a copy of it, or with another circuit; does nothing where all names are taken. */
export const addVariant =
  (circuit?: Circuitry): Edit =>
  (project) => {
    const name = freeVariant(project);
    if (name === null) return project;
    const aside = { name: project.variant, circuit: circuitOf(project) };
    const { build } = project;
    // What stands on the bench is the one that is set aside.
    const fresh = { build: { ...build, ticked: [] }, check: NOT_CHECKED };
    return { ...project, ...fresh, ...circuit, variant: name, others: [...project.others, aside] };
  };

/** Opens another variant; the open one is set aside. */
export const openVariant =
  (name: VariantName): Edit =>
  (project) => {
    const wanted = project.others.find((other) => other.name === name);
    if (!wanted) return project;
    const aside = { name: project.variant, circuit: circuitOf(project) };
    const others = project.others.map((other) => (other.name === name ? aside : other));
    return { ...project, ...wanted.circuit, variant: name, others };
  };

/** Throws a variant away that is not open. */
export const dropVariant =
  (name: VariantName): Edit =>
  (project) => ({ ...project, others: project.others.filter((other) => other.name !== name) });

/** The project as it is with another variant open, for looking at it beside. */
export function besideProject(project: Project, name: VariantName): Project {
  return openVariant(name)(project);
}
