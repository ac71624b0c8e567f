import type { DryRun, Standing } from '@/store/backup';
import type { Restored } from '@/store/restore';

const count = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`;

const standings: Readonly<Record<Standing, string>> = {
  new: 'new here',
  newer: 'newer in the backup than here',
  older: 'older in the backup than here',
  same: 'the same here',
  binned: 'in the bin here, and coming out of it',
};

/** At most so many names stand in one line. */
const NAMES = 4;

function names(all: readonly string[]): string {
  const shown = all
    .slice(0, NAMES)
    .map((name) => `“${name}”`)
    .join(', ');
  return all.length > NAMES ? `${shown} and ${all.length - NAMES} more` : shown;
}

const savedDay = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short' });

/** What a backup holds beside what is here, line by line. */
export function dryRunLines(run: DryRun): readonly string[] {
  const { savedAt, projects, newLogs, newRecords, otherRecords, onlyHere } = run;
  const when = Date.parse(savedAt);
  const kinds: readonly Standing[] = ['new', 'newer', 'older', 'binned', 'same'];
  return [
    `A backup ${Number.isNaN(when) ? '' : `of ${savedDay.format(when)} `}with ${count(projects.length, 'project', 'projects')}.`,
    ...kinds.flatMap((kind) => {
      const of = projects.filter(({ standing }) => standing === kind).map(({ name }) => name);
      return of.length === 0 ? [] : [`${of.length} ${standings[kind]}: ${names(of)}.`];
    }),
    ...(newLogs > 0
      ? [
          `${count(newLogs, 'time log', 'time logs')} that ${newLogs === 1 ? 'is' : 'are'} not here, or longer there.`,
        ]
      : []),
    ...(newRecords > 0
      ? [
          `${count(newRecords, 'saved LDR, meter, part or light level', 'saved LDRs, meters, parts or light levels')} not here.`,
        ]
      : []),
    ...(otherRecords > 0 ? [`${otherRecords} of those are here with other figures.`] : []),
    ...(onlyHere.length > 0
      ? [`Only here: ${names(onlyHere.map(({ name }) => name))}. Taking what is new leaves them alone.`]
      : []),
  ];
}

/** What in a backup could not be read. */
export function damageLines(damaged: DryRun['damaged']): readonly string[] {
  return damaged
    .slice(0, 5)
    .map(({ file, path }) => `Damaged, left out: ${file}${path === file ? '' : `, at “${path}”`}.`);
}

/** What is asked before everything is put back. */
export function wholeWarning({ projects, onlyHere }: DryRun): string {
  const older = projects.filter(({ standing }) => standing === 'older').length;
  const back =
    older > 0
      ? ` ${count(older, 'project goes', 'projects go')} back to an older state; undo in each brings it forward again.`
      : '';
  const bin =
    onlyHere.length > 0
      ? ` ${count(onlyHere.length, 'project that is', 'projects that are')} only here go into the bin.`
      : '';
  return `Put everything back as it was then?${back}${bin}`;
}

export function restoredText({ outcome, projects, logs, records }: Restored): string {
  const done = `${count(projects, 'project', 'projects')}, ${count(logs, 'time log', 'time logs')} and ${count(records, 'other record', 'other records')} restored.`;
  return outcome === 'saved' ? done : `Stopped after ${done} What stood here before is unharmed.`;
}
