import type { Project } from '../project/project';

/** What can hurt someone or burn something in a design of this kind. */
export type Caution = 'mains' | 'capacitor-fed' | 'coil' | 'inrush';

/** The cautions that apply to a project's own loads, the gravest first; none as decoration. */
export function cautionsOf({ loads }: Pick<Project, 'loads'>): readonly Caution[] {
  const hasMains = loads.some((load) => (load.kind === 'relay' && load.use !== 'nothing' && load.useMains) || (load.kind === 'module' && load.useMains)); // prettier-ignore
  const hasCoil = loads.some(({ kind }) => kind === 'relay' || kind === 'motor');
  const hasInrush = loads.some(
    (load) =>
      load.kind === 'lamp' ||
      load.kind === 'motor' ||
      (load.kind === 'relay' && (load.use === 'lamp' || load.use === 'motor')),
  );
  return [
    ...(hasMains ? (['mains', 'capacitor-fed'] as const) : []),
    ...(hasCoil ? (['coil'] as const) : []),
    ...(hasInrush ? (['inrush'] as const) : []),
  ];
}
