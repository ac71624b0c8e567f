/** The newest version of the Project document. */
export const PROJECT_VERSION = 2;

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
];

/** Brings a document of any older version to the newest. @param version 1 to {@link PROJECT_VERSION} */
export function migrateProject(project: unknown, version: number): unknown {
  if (!isRecord(project)) return project;
  return steps.slice(version - 1).reduce((document, step) => step(document), project);
}

function isRecord(value: unknown): value is Loose {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
