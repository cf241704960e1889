import { PDFDocument, rgb, StandardFonts } from '@cantoo/pdf-lib';
import { printable } from './pdf.ts';
import { MARGIN, PAPER, type Paper } from './tiles.ts';

/** A list on paper: its heading, what it is for, and its lines, each with how many there are. */
export interface PaperList {
  readonly heading: string;
  readonly under: string;
  readonly lines: readonly { readonly number: number; readonly text: string }[];
}

/** Points of PDF in a millimetre: 72 to the inch. Source: ISO 32000-1, 8.3.2.3. */
const POINT = 72 / 25.4;
/** Heights of heading, of what is under it and of a line, and between lines, mm. */
const [HEADING, UNDER, LINE, STEP] = [7, 3.6, 3.4, 6];
/** Letters that go on a line. */
const LONGEST = 92;

/**
 * Lists as PDF, each from the top of a sheet of its own and over as many as it needs: before every line a box to be
 * ticked and how many there are. The same lists give the same bytes.
 */
export async function writeListPdf(
  lists: readonly PaperList[],
  paper: Paper,
  title: string,
): Promise<Uint8Array<ArrayBuffer>> {
  const pdf = await PDFDocument.create({ updateMetadata: false });
  pdf.setTitle(title);
  pdf.setCreationDate(new Date(0));
  pdf.setModificationDate(new Date(0));
  const font = await pdf.embedFont(StandardFonts.Helvetica);
  const [across, up] = PAPER[paper];
  for (const { heading, under, lines } of lists) {
    const room = Math.floor((up - 2 * MARGIN - 24) / STEP);
    const sheets = Math.max(1, Math.ceil(lines.length / room));
    for (let sheet = 0; sheet < sheets; sheet++) {
      const page = pdf.addPage([across * POINT, up * POINT]);
      const write = (text: string, x: number, y: number, size: number): void =>
        page.drawText(printable(text), { x: x * POINT, y: y * POINT, size: size * POINT, font });
      write(heading.slice(0, 60), MARGIN, up - MARGIN - HEADING, HEADING);
      const of = sheets > 1 ? `, sheet ${sheet + 1} of ${sheets}` : '';
      write(`${under}${of}`.slice(0, LONGEST), MARGIN, up - MARGIN - HEADING - 7, UNDER);
      lines.slice(sheet * room, (sheet + 1) * room).forEach(({ number, text }, i) => {
        const y = up - MARGIN - 24 - i * STEP;
        page.drawRectangle({
          ...{ x: MARGIN * POINT, y: (y - 0.6) * POINT, width: LINE * POINT, height: LINE * POINT },
          ...{ borderColor: rgb(0, 0, 0), borderWidth: 0.6 },
        });
        write(`${number} ×`, MARGIN + 6, y, LINE);
        write(text.slice(0, LONGEST), MARGIN + 18, y, LINE);
      });
    }
  }
  return new Uint8Array(await pdf.save({ useObjectStreams: false }));
}
