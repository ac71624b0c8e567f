import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import { PITCH } from '@/ui/build/boardPlaces';
import { buildWords } from '@/ui/words/panels/build';
import type { SheetData, SheetTable } from './sheetData';

export type Paper = 'A4' | 'LETTER';

/** Points of an inch, and holes of it. */
const POINTS = 72;
const HOLES = 10;
const MARGIN = 40;
/** Between the margins of the narrower paper. */
const WIDTH = 515;

/** A drawing as SVG, and how wide it is in its own units. */
export interface SheetDrawing {
  readonly svg: string;
  readonly width: number;
}

export interface SheetDrawings {
  readonly schematic: SheetDrawing | null;
  readonly board: SheetDrawing | null;
  /** The name as a picture, where the sheet's type has not all its letters. */
  readonly name: string | null;
}

/** Letters that the sheet's type has: Latin, Greek, Cyrillic and the signs between. */
const KNOWN =
  /^[\u0020-\u024F\u0370-\u0373\u0376-\u037F\u0384-\u0529\u1E00-\u1EF9\u2000-\u206F\u2070-\u209F\u20A0-\u20BF\u2100-\u22FF]*$/;
export const isKnownText = (text: string): boolean => KNOWN.test(text);

/** How wide a board is drawn at its own size, in points; narrower where the paper ends. */
export function boardPoints(units: number): { readonly points: number; readonly share: number } {
  const real = (units / PITCH) * (POINTS / HOLES);
  const points = Math.min(real, WIDTH);
  return { points, share: points / real };
}

/** A build sheet as a document. */
export function sheetDocument(data: SheetData, drawings: SheetDrawings, paper: Paper): TDocumentDefinitions {
  const { schematic, board } = drawings;
  return {
    pageSize: paper,
    pageMargins: [MARGIN, MARGIN, MARGIN, MARGIN],
    info: { title: data.name, creator: 'Yemko' },
    defaultStyle: { font: 'Roboto', fontSize: 9.5, lineHeight: 1.15 },
    styles: { head: { fontSize: 12, bold: true, margin: [0, 10, 0, 4] } },
    footer: (page, count) => ({
      text: `${isKnownText(data.name) ? data.name : ''}   ${page} / ${count}`,
      alignment: 'right',
      margin: [MARGIN, 10, MARGIN, 0],
      fontSize: 8,
    }),
    content: [
      drawings.name === null
        ? { text: data.name, fontSize: 18, bold: true }
        : { image: drawings.name, height: 22 },
      { text: data.summary, margin: [0, 2, 0, 4] },
      ...(schematic ? [heading(data.schematicTitle), fitted(schematic)] : []),
      heading(buildWords.parts),
      table(data.parts, ['auto', '*', 'auto', 'auto', 'auto', 'auto', 'auto']),
      ...(board ? boardContent(board) : []),
      ...list(buildWords.settings, data.settings),
      heading(buildWords.testPoints),
      table(data.testPoints, ['auto', 'auto', 'auto']),
      ...list(buildWords.cautions, data.cautions),
      heading(buildWords.wiringList),
      ...data.steps.map(stepLine),
    ],
  };
}

const heading = (text: string): Content => ({ text, style: 'head' });

const fitted = ({ svg, width }: SheetDrawing): Content => ({ svg, width: Math.min(WIDTH, width * 0.62) });

function boardContent({ svg, width }: SheetDrawing): Content[] {
  const { points, share } = boardPoints(width);
  const size = share > 0.999 ? '1 : 1' : `${Math.round(share * 100)} %`;
  return [
    {
      stack: [heading(`${buildWords.board} (${size} when printed at 100 %)`), { svg, width: points }],
      unbreakable: true,
    },
  ];
}

function table({ head, rows }: SheetTable, widths: readonly string[]): Content {
  return {
    layout: 'lightHorizontalLines',
    table: {
      headerRows: 1,
      widths: [...widths],
      body: [head.map((text) => ({ text, bold: true })), ...rows.map((row) => [...row])],
    },
  };
}

const list = (title: string, texts: readonly string[]): Content[] =>
  texts.length === 0 ? [] : [{ stack: [heading(title), { ul: [...texts] }], unbreakable: true }];

/** An open square before each step, to tick on paper. */
const stepLine = ({ text, isCheck }: SheetData['steps'][number]): Content => ({
  columns: [
    { width: 14, canvas: [{ type: 'rect', x: 0, y: 2, w: 7, h: 7, lineWidth: 0.7, lineColor: 'black' }] },
    { width: '*', text, italics: isCheck },
  ],
  margin: [0, 0, 0, 2],
});
