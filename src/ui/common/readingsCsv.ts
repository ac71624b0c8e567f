import Papa from 'papaparse';
import { plainly } from '@/core/quantity/notation';
import type { Project } from '@/core/project/project';
import { measuredLdr, residualsOf } from '@/core/readings/ldrOf';
import { luxOf } from '@/core/readings/reading';
import { lightAsTyped } from '@/core/readings/parseLight';

const FIELDS = [
  'light',
  'ohms',
  'over range',
  'range ohms',
  'resolved light',
  'scale',
  'off curve',
  'lamp',
  'taken',
  'note',
  'set aside',
  'trusted',
  'unsettled',
  'level lux',
];

/** The readings as a table that spreadsheets read, and that comes back in whole. No cell can be taken for a formula. */
export const readingsCsv = (project: Project): string => plainly(() => tableOf(project));

function tableOf(project: Project): string {
  const { resolved } = measuredLdr(project);
  const residuals = residualsOf(project);
  const rows = project.readings.map((reading, index) => {
    const off = residuals[index] ?? null;
    return [
      lightAsTyped(reading.light, project.levels),
      reading.above ? `>${reading.ohms}` : reading.ohms,
      reading.above ? 'above' : '',
      reading.rangeOhms ?? '',
      resolved.scale === 'ohms' ? '' : (resolved.lights[index] ?? ''),
      resolved.scale,
      off === null ? '' : Math.expm1(off),
      reading.lamp ?? '',
      reading.takenAt === null ? '' : new Date(reading.takenAt).toISOString(),
      reading.note,
      reading.setAside ? 'yes' : '',
      reading.trusted ? 'yes' : '',
      reading.unsettledStd === 0 ? '' : reading.unsettledStd,
      reading.light.kind === 'level' ? (luxOf(reading, project) ?? '') : '',
    ];
  });
  return Papa.unparse({ fields: FIELDS, data: rows }, { escapeFormulae: true });
}
