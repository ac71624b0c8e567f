import { cornersOf } from '@/core/advise/corners';
import type { Design } from '@/core/design';
import type { LogbookEntry } from '@/core/logbook/entry';
import type { Project } from '@/core/project/project';
import { loadsText } from '@/ui/words/loads';
import { lightText, readingLightText } from '@/ui/words/light';
import { escapedMarkdown, logbookMarkdown } from '@/ui/words/check/logbook';
import { ohms, partVolts } from '@/ui/words/figures';
import { adviceSentence } from '@/ui/words/said/advice';
import { switchingText } from '@/ui/words/goal';
import { stateNames, stepNames } from '@/ui/words/names';
import { goalSentence } from '@/ui/words/projects';
import { detectorText } from '@/ui/words/detectors';
import { sheetData, type SheetTable } from '../../build/sheet/sheetData';

const plain = (text: string) => escapedMarkdown(text.replaceAll('\u00a0', ' '));

const table = ({ head, rows }: SheetTable): string =>
  [head.map(plain), head.map(() => '---'), ...rows.map((row) => row.map(plain))]
    .map((cells) => `| ${cells.join(' | ')} |`)
    .join('\n');

/** A whole project as Markdown: what it is for, what was measured, what follows, the parts, the advice, and its logbook. */
export function projectReport(project: Project, design: Design, entries: readonly LogbookEntry[]): string {
  const { scale } = design.resolved;
  const light = lightText(scale);
  const sheet = sheetData(project, design, [], project.goal.lux);
  const { readings, levels, divider, detector, loads } = project;
  const advice = [...design.advice, ...cornersOf(project)];
  const sections = [
    [`# ${plain(project.name)}`, plain(sheet.summary)],
    [
      '## What it is for',
      plain(`${goalSentence(project, scale)} As designed it ${switchingText(project, design)}.`),
      plain(`Supply ${partVolts(divider.supplyVolts)}; ${detectorText(detector)}; ${loadsText(loads)}.`),
    ],
    [
      '## Readings of the LDR',
      readings.length === 0
        ? 'None: a typical LDR is taken.'
        : table({
            head: ['light', 'resistance', 'note'],
            rows: readings.map((reading) => [
              readingLightText(reading.light, levels),
              `${reading.above ? 'over ' : ''}${ohms(reading.ohms)}`,
              `${reading.setAside ? 'set aside ' : ''}${reading.note}`,
            ]),
          }),
    ],
    ['## Parts', table(sheet.parts)],
    ['## Test points', table(sheet.testPoints)],
    ...(sheet.settings.length === 0
      ? []
      : [['## To be set', sheet.settings.map((each) => `- ${plain(each)}`).join('\n')]]),
    [
      '## Advice',
      advice.length === 0
        ? 'No drawbacks found.'
        : advice
            .map(
              (each) =>
                `- ${stepNames[each.step]}, ${stateNames[each.state]}: ${plain(adviceSentence(each, light))}`,
            )
            .join('\n'),
    ],
    ...(sheet.cautions.length === 0
      ? []
      : [['## Cautions', sheet.cautions.map((each) => `- ${plain(each)}`).join('\n')]]),
  ];
  const body = sections.map((lines) => lines.join('\n\n')).join('\n\n');
  return entries.length === 0
    ? `${body}\n`
    : `${body}\n\n${logbookMarkdown(project.name, entries).replace(/^# /, '# ')}`;
}
