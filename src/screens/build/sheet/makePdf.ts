import { download } from '@/ui/common/download';
import { inlined, nameImage } from './inlined';
import { isKnownText, sheetDocument, type Paper } from './pdf';
import type { SheetData } from './sheetData';

/** Makes the sheet that is on the page into a PDF and hands it over; the maker is loaded when it is first wanted. */
export async function savePdf(data: SheetData, page: HTMLElement, paper: Paper): Promise<void> {
  const [{ default: pdfMake }, { default: fonts }] = await Promise.all([
    import('pdfmake/build/pdfmake'),
    import('pdfmake/build/fonts/Roboto'),
  ]);
  pdfMake.addFontContainer(fonts);
  const drawingIn = (part: string) => {
    const svg = page.querySelector<SVGSVGElement>(`[data-sheet=${part}] svg[viewBox]`);
    return svg && inlined(svg);
  };
  const drawings = {
    schematic: drawingIn('schematic'),
    board: drawingIn('board'),
    name: isKnownText(data.name) ? null : nameImage(data.name),
  };
  const blob = await pdfMake.createPdf(sheetDocument(data, drawings, paper)).getBlob();
  download(`${data.name} build sheet.pdf`, blob, 'application/pdf');
}
