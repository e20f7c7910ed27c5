import type { ReactElement } from 'react';
import layoutDocument from '@react-pdf/layout';
import renderLaidOut from '@react-pdf/render';
import { Font, pdf, type DocumentProps } from '@react-pdf/renderer';
import PdfWriter from 'pdfkit';
import { withStructure, type Laid, type StructureWriter } from './tags';

type LaidOut = Awaited<ReturnType<typeof layoutDocument>>;
type Unlaid = Parameters<typeof layoutDocument>[0];
/** Its second argument, the fonts, is in no type of the library's. */
const layOut = layoutDocument as (document: Unlaid, fonts: typeof Font) => Promise<LaidOut>;

/**
 * A paper as a tagged PDF 1.7: a program that reads aloud finds headings, tables with their heads,
 * and pictures with their words.
 *
 * @returns the bytes of the file
 */
export async function printed(paper: ReactElement<DocumentProps>): Promise<Uint8Array> {
  const { document } = pdf(paper).container as { readonly document: Unlaid };
  const { title, creator, producer, language } = document.props as DocumentProps;
  const laidOut = await layOut(document, Font);
  const writer = new PdfWriter({
    pdfVersion: '1.7',
    tagged: true,
    displayTitle: true,
    autoFirstPage: false,
    ...(language === undefined ? {} : { lang: language }),
    info: {
      ...(title === undefined ? {} : { Title: title }),
      ...(creator === undefined ? {} : { Creator: creator }),
      ...(producer === undefined ? {} : { Producer: producer }),
      CreationDate: new Date(),
    },
  });
  const read = withStructure(writer as unknown as StructureWriter, laidOut as unknown as Laid);
  renderLaidOut(writer as never, read as unknown as LaidOut);
  const pieces: Uint8Array[] = [];
  for await (const piece of writer) pieces.push(piece as Uint8Array);
  return new Uint8Array(Buffer.concat(pieces));
}
